using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Diagnosis;

/// <summary>A step that was written down on a copy, with the air of then.</summary>
/// <param name="Copy">Number of the copy, from 1.</param>
/// <param name="CoatId">The coat.</param>
/// <param name="Pass">Which pass; 0 for its clean-up.</param>
/// <param name="AtMin">When it was done, minutes from any origin.</param>
/// <param name="Minutes">Hands-on minutes, where they were taken.</param>
/// <param name="RoomC">Temperature, C.</param>
/// <param name="RoomHumidity">Humidity, 0..1.</param>
/// <param name="PaintFraction">Share of paint in it, where it was not as planned.</param>
/// <param name="Worked">How it was worked, as it was ticked.</param>
/// <param name="Clock">When, in the painter's words.</param>
public sealed record CaseEntry(
    int Copy, Guid CoatId, int Pass, double AtMin, double? Minutes, double RoomC, double RoomHumidity, double? PaintFraction, WorkedWith Worked, string Clock)
{
    /// <summary>More was mixed for it than was planned, times; null where that is not known.</summary>
    public double? MixedTimes { get; init; }

    /// <summary>Its mix was recorded.</summary>
    public bool MixRecorded { get; init; }

    /// <summary>dE00 between the mix as it was recorded and the same of today's shelf; null where none was recorded.</summary>
    public double? LotDeltaE { get; init; }

    /// <summary>Minutes since the rinse water was fresh; null where that is not known.</summary>
    public double? RinseMin { get; init; }

    /// <summary>When it was begun, minutes.</summary>
    public double BegunMin => AtMin - (Minutes ?? 0);
}

/// <summary>A coat that was laid on what touches the zone.</summary>
/// <param name="Copy">Number of the copy, from 1.</param>
/// <param name="Zone">The zone that touches it.</param>
/// <param name="AtMin">When it was done, minutes from the same origin.</param>
/// <param name="TouchMin">Minutes until it was touch-dry.</param>
/// <param name="Sprayed">It was sprayed.</param>
/// <param name="Masked">What it touches was masked for it.</param>
public sealed record BesideEntry(int Copy, string Zone, double AtMin, double TouchMin, bool Sprayed, bool Masked = false);

/// <summary>How an older zone was finished.</summary>
/// <param name="Zone">Piece and zone.</param>
/// <param name="Varnish">Its last varnish; null for none.</param>
public sealed record EarlierFinish(string Zone, Material? Varnish);

/// <summary>What a painter sees, and all that is known of what it is on.</summary>
public sealed record MendCase
{
    /// <summary>What is seen.</summary>
    public required Symptom Symptom { get; init; }

    /// <summary>The stack that it is on; null where none is named: the answer is a general one.</summary>
    public StackDraft? Stack { get; init; }

    /// <summary>The coat that it is about; null for the last one on that it can be about.</summary>
    public Guid? CoatId { get; init; }

    /// <summary>A coat was named that is no longer in the stack.</summary>
    public bool CoatGone { get; init; }

    /// <summary>The piece lies flat while it is painted.</summary>
    public bool LiesFlat { get; init; }

    /// <summary>Copies that show it.</summary>
    public IReadOnlyList<int> Seen { get; init; } = [];

    /// <summary>Copies that have come as far and do not.</summary>
    public IReadOnlyList<int> Sound { get; init; } = [];

    /// <summary>Steps of the zone that are done, in the order of their times.</summary>
    public IReadOnlyList<CaseEntry> Log { get; init; } = [];

    /// <summary>Coats on what touches it.</summary>
    public IReadOnlyList<BesideEntry> Beside { get; init; } = [];

    /// <summary>Super glue that was used on the piece: copy, and when.</summary>
    public IReadOnlyList<(int Copy, double AtMin)> Glued { get; init; } = [];

    /// <summary>Last varnish of the zones that it is held against, once it was written down on a copy; null of a zone that was finished without any.</summary>
    public IReadOnlyList<EarlierFinish> Earlier { get; init; } = [];

    /// <summary>Signs that the painter was asked for.</summary>
    public IReadOnlyDictionary<Sign, bool> Told { get; init; } = new Dictionary<Sign, bool>();

    /// <summary>Answers by the number of the question, from 1.</summary>
    public IReadOnlyDictionary<int, bool> Answers { get; init; } = new Dictionary<int, bool>();

    /// <summary>What the bench has learned of the symptom.</summary>
    public Learned Learned { get; init; } = Learned.Nothing;

    /// <summary>Place of the coat that it is about; -1 where there is none: the one that is named, else the last one on of the symptom's kind, else the last one on.</summary>
    public int CoatAt
    {
        get
        {
            if (Stack is null)
            {
                return -1;
            }

            if (CoatId is { } named && Stack.IndexOf(named) is >= 0 and var at)
            {
                return at;
            }

            var on = Log.Select(l => l.CoatId).ToHashSet();
            int Last(Func<Coat, bool> which) => Stack.Coats.ToList().FindLastIndex(c => !c.Skipped && which(c));
            var kind = Last(c => Symptom.About.Contains(c.How.Role) && (on.Count == 0 || on.Contains(c.Id)));
            return kind >= 0 ? kind : Last(c => Symptom.About.Contains(c.How.Role)) is >= 0 and var planned && Symptom.About.Count > 0 ? planned
                : Last(c => on.Contains(c.Id)) is >= 0 and var last ? last : Last(_ => true);
        }
    }

    /// <summary>Whether the stack has anything that the symptom can be about; true without a stack.</summary>
    public bool Fits => Stack is null || Symptom.About.Count == 0 || Stack.Coats.Any(c => !c.Skipped && Symptom.About.Contains(c.How.Role));
}
