using System.Net;
using Lowfell.Store;
using Lowfell.Web.Benches;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;
using Xunit;

namespace Lowfell.Web.Tests;

/// <summary>What holds for every row that belongs to a bench.</summary>
public sealed class StoreTests(TestHost host) : IClassFixture<TestHost>
{
    private static readonly CancellationToken Cancel = TestContext.Current.CancellationToken;

    private static IEnumerable<Type> BenchRows => typeof(LowfellDb).Assembly.GetTypes().Where(t => t.IsClass && typeof(IBenchRow).IsAssignableFrom(t));

    private LowfellDb Db(Guid? bench = null)
    {
        _ = host.Http;
        using var scope = host.Services.CreateScope();
        return new(scope.ServiceProvider.GetRequiredService<DbContextOptions<LowfellDb>>(), new StoreSetup.FixedBench(bench ?? OpenBench.Home));
    }

    [Fact]
    public async Task Every_row_is_known_by_bench_and_id_and_seen_from_its_own_bench_alone()
    {
        await using var db = Db();
        Assert.True(BenchRows.Count() > 15);
        Assert.All(BenchRows, row =>
        {
            var type = db.Model.FindEntityType(row);
            Assert.True(type is not null, $"{row.Name} is in no table");
            Assert.Equal(nameof(IBenchRow.BenchId), type.FindPrimaryKey()!.Properties[0].Name);
            Assert.Contains(type.GetDeclaredQueryFilters(), f => f.Key == LowfellDb.OwnBench);
        });
    }

    [Fact]
    public async Task Every_foreign_key_carries_the_bench()
    {
        await using var db = Db();
        var keys = BenchRows.SelectMany(r => db.Model.FindEntityType(r)!.GetForeignKeys()).Where(k => k.PrincipalEntityType.ClrType != typeof(Bench)).ToList();
        Assert.True(keys.Count > 15);
        Assert.All(keys, k => Assert.Equal(nameof(IBenchRow.BenchId), k.Properties[0].Name));
    }

    // A key that empties what points must leave the bench of the row alone; the database is asked, as the model can't say it.
    [Fact]
    public async Task Where_a_target_goes_only_what_points_is_emptied()
    {
        Assert.Equal(5, await host.ScalarAsync<long>("SELECT count(*) FROM pg_constraint WHERE contype = 'f' AND confdeltype = 'n' AND connamespace = 'public'::regnamespace"));
        Assert.Equal(0, await host.ScalarAsync<long>("SELECT count(*) FROM pg_constraint WHERE contype = 'f' AND confdeltype = 'n' AND connamespace = 'public'::regnamespace AND coalesce(array_length(confdelsetcols, 1), 0) <> 1"));
    }

    [Fact]
    public async Task The_same_id_may_stand_on_two_benches_and_neither_row_can_point_across()
    {
        var (other, id) = (Guid.NewGuid(), Guid.NewGuid());
        await using (var home = Db())
        {
            home.Benches.Add(new Bench { Id = other, Name = "Another bench" });
            home.Sets.Add(new SetRow { Id = id, Name = "Here" });
            await home.SaveChangesAsync(Cancel);
        }

        await using (var away = Db(other))
        {
            away.Sets.Add(new SetRow { Id = id, Name = "There" });
            await away.SaveChangesAsync(Cancel);
            Assert.Equal("There", (await away.Sets.SingleAsync(Cancel)).Name);
        }

        await using (var home = Db())
        {
            Assert.Equal("Here", (await home.Sets.SingleAsync(s => s.Id == id, Cancel)).Name);
        }

        var scheme = await host.ScalarAsync<Guid>("SELECT \"Id\" FROM schemes LIMIT 1");
        var across = await Assert.ThrowsAsync<PostgresException>(() => host.ExecuteAsync($"INSERT INTO painted (\"BenchId\", \"Id\", \"Name\", \"PaintedOn\", \"SchemeId\", \"Note\", \"Stack\") VALUES ('{other}', '{Guid.NewGuid()}', 'x', now(), '{scheme}', '', '')"));
        Assert.Equal(PostgresErrorCodes.ForeignKeyViolation, across.SqlState);
    }

    [Fact]
    public async Task A_recorded_mix_outlives_its_recipe()
    {
        await using var db = Db();
        var (mix, record) = (new MixRow { Id = Guid.NewGuid(), Name = "Passing grey" }, Guid.NewGuid());
        db.Mixes.Add(mix);
        db.MixRecords.Add(new MixRecordRow { Id = record, Name = "Passing grey", MixId = mix.Id, Recipe = "{}" });
        await db.SaveChangesAsync(Cancel);

        // With the record in hand, and without.
        db.Mixes.Remove(mix);
        await db.SaveChangesAsync(Cancel);
        await using var after = Db();
        var kept = await after.MixRecords.SingleAsync(r => r.Id == record, Cancel);
        Assert.Equal((null, OpenBench.Home), (kept.MixId, kept.BenchId));
    }

    [Fact]
    public async Task What_lies_on_the_scale_is_seen_by_every_host_of_this_bench_and_by_no_other_bench()
    {
        var paint = await host.MaterialAsync("Rope Tan");
        await host.PostAsync("/api/devices/scale", new { materialId = (string)paint["id"]!, drops = 60 }, HttpStatusCode.NoContent);
        await using var db = Db();
        var row = await db.Devices.SingleAsync(d => d.Kind == DeviceKind.Scale, Cancel);
        Assert.InRange(row.Shows[0], 1, 6);
        await using var away = Db(Guid.NewGuid());
        Assert.Empty(await away.Devices.ToListAsync(Cancel));
        await host.PostAsync("/api/devices/scale", new { materialId = (string)paint["id"]!, drops = 30 }, HttpStatusCode.NoContent);
        await using var again = Db();
        Assert.Equal(row.Shows[0] / 2, (await again.Devices.SingleAsync(d => d.Kind == DeviceKind.Scale, Cancel)).Shows[0], 6);
    }
}
