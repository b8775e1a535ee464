namespace Lowfell.Store;

/// <summary>A picture in the log, without what its camera wrote into it.</summary>
public sealed class PhotoRow : IBenchRow
{
    /// <summary>Identity, given by who sends it.</summary>
    public Guid Id { get; set; }

    /// <inheritdoc/>
    public Guid BenchId { get; set; }

    /// <summary>When it was kept.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>Width, pixels.</summary>
    public int Width { get; set; }

    /// <summary>Height, pixels.</summary>
    public int Height { get; set; }

    /// <summary>image/png or image/jpeg.</summary>
    public string MediaType { get; set; } = "";

    /// <summary>The picture.</summary>
    public byte[] Bytes { get; set; } = [];

    /// <summary>A small JPEG of it.</summary>
    public byte[] Thumbnail { get; set; } = [];
}
