using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Lowfell.Store;

/// <summary>
/// What holds for every row that belongs to a bench: it is known by bench and id together, so that an id given by a client is its own
/// within its bench, and a row can point only at one of its own bench.
/// </summary>
/// <typeparam name="T">The row.</typeparam>
internal abstract class BenchRowConfiguration<T> : IEntityTypeConfiguration<T>
    where T : class, IBenchRow
{
    private const string Id = "Id";

    /// <summary>The table.</summary>
    protected abstract string Table { get; }

    /// <summary>What makes a row of its bench known.</summary>
    protected virtual string[] Key => [Id];

    /// <inheritdoc/>
    public void Configure(EntityTypeBuilder<T> builder)
    {
        builder.ToTable(Table);
        builder.HasKey([nameof(IBenchRow.BenchId), .. Key]);
        if (Key is [Id])
        {
            builder.Property<Guid>(Id).ValueGeneratedNever();
        }

        builder.HasOne<Bench>().WithMany().HasForeignKey(r => r.BenchId);
        if (typeof(IVersionedRow).IsAssignableFrom(typeof(T)))
        {
            builder.Property(nameof(IVersionedRow.Version)).IsConcurrencyToken();
        }

        More(builder);
    }

    /// <summary>What else there is to say of it.</summary>
    protected abstract void More(EntityTypeBuilder<T> row);
}
