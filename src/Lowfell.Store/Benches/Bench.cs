using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Store;

/// <summary>A workspace: every other row belongs to one.</summary>
public sealed class Bench
{
    /// <summary>Identity.</summary>
    public Guid Id { get; set; }

    /// <summary>Name.</summary>
    public required string Name { get; set; }

    /// <summary>Opened without a password, on loopback only.</summary>
    public bool IsDemo { get; set; }

    /// <summary>Rises with every change of the shelf or its mixes, so that hosts know when what they hold is stale.</summary>
    public long ShelfVersion { get; set; }

    /// <summary>Points on which good painters disagree, as they are preferred here.</summary>
    public Schools Schools { get; set; } = new();

    /// <summary>What there is to paint with; null until the painter has told.</summary>
    public Tools? Tools { get; set; }

    /// <summary>It holds the demo, to be looked around in.</summary>
    public bool HoldsDemo { get; set; }

    /// <summary>Temperature of the room, C.</summary>
    public double RoomC { get; set; } = 20;

    /// <summary>Relative humidity of the room, 0..1.</summary>
    public double RoomHumidity { get; set; } = 0.5;

    /// <summary>A fan moves its air.</summary>
    public bool RoomFan { get; set; }

    /// <summary>Cans may be sprayed: the weather or the booth is fit.</summary>
    public bool CansFit { get; set; } = true;

    /// <summary>How much more, or less, than usual its painter notices, by trials.</summary>
    public double TrialFactor { get; set; } = 1;

    /// <summary>Time zone of the painter, as in the IANA database.</summary>
    public string TimeZone { get; set; } = "Etc/UTC";

    /// <summary>The evenings, as JSON; empty until any are set.</summary>
    public string Calendar { get; set; } = "";

    /// <summary>SHA-256, in hexadecimal, of the secret part of the address of its calendar feed; empty until one is asked for.</summary>
    public string FeedHash { get; set; } = "";

    /// <summary>Counts changes of room and calendar.</summary>
    public int CalendarVersion { get; set; } = 1;

    /// <summary>Counts changes of preferences and tools.</summary>
    public int SettingsVersion { get; set; } = 1;

    /// <summary>Counts changes of the address of its calendar feed.</summary>
    public int FeedVersion { get; set; } = 1;
}

/// <summary>A row that belongs to a bench; one query filter keeps benches apart.</summary>
public interface IBenchRow
{
    /// <summary>The bench it belongs to; set by the store when it is added.</summary>
    Guid BenchId { get; set; }
}

/// <summary>A row that two windows may edit: the store counts its versions and refuses a stale one.</summary>
public interface IVersionedRow
{
    /// <summary>Version, from 1.</summary>
    int Version { get; set; }
}

/// <summary>A row that is marked as deleted, and can be put back.</summary>
public interface IDeletableRow
{
    /// <summary>When it was deleted; null where it is there.</summary>
    DateTimeOffset? DeletedAt { get; set; }
}

/// <summary>The bench that a request works on.</summary>
public interface IBenchScope
{
    /// <summary>Its id; empty where no bench is open, and then no row is seen.</summary>
    Guid BenchId { get; }
}
