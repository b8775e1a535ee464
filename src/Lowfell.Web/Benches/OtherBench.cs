using Lowfell.Store;
using Microsoft.EntityFrameworkCore;

namespace Lowfell.Web.Benches;

/// <summary>Fills a bench with the demo; the host's composition knows how.</summary>
public interface IDemoFiller
{
    /// <summary>Loads the demo into a bench that holds nothing.</summary>
    Task FillAsync(Guid benchId, CancellationToken cancel);
}

/// <summary>The bench beside the home bench, which is there once somebody asks for it.</summary>
/// <param name="db">Database.</param>
/// <param name="filler">Fills it with the demo.</param>
public sealed class OtherBench(LowfellDb db, IDemoFiller filler)
{
    private const long Key = 0x10f0e11_be_0c4;

    /// <summary>Makes it, one request at a time; whoever asks meanwhile finds it made.</summary>
    /// <param name="demo">With the demo in it, else empty.</param>
    /// <param name="cancel">Cancels.</param>
    public async Task MakeAsync(bool demo, CancellationToken cancel)
    {
        await db.Database.OpenConnectionAsync(cancel);
        try
        {
            await db.Database.ExecuteSqlAsync($"SELECT pg_advisory_lock({Key})", cancel);
            await db.Database.ExecuteSqlAsync(
                $"""
                INSERT INTO benches ("Id", "Name", "IsDemo", "ShelfVersion") VALUES ({OpenBench.Other}, 'My bench', false, 1)
                ON CONFLICT DO NOTHING
                """,
                cancel);
            if (demo)
            {
                await filler.FillAsync(OpenBench.Other, cancel);
            }
        }
        finally
        {
            await db.Database.ExecuteSqlAsync($"SELECT pg_advisory_unlock({Key})", CancellationToken.None);
            await db.Database.CloseConnectionAsync();
        }
    }
}
