using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;
using Lowfell.Core.Techniques;

namespace Lowfell.Store;

/// <summary>A mend that was taken up for some copies of a zone, kept with it.</summary>
public sealed class RepairRow
{
    /// <summary>Identity, given by who takes it up.</summary>
    public Guid Id { get; set; }

    /// <summary>When.</summary>
    public DateTimeOffset At { get; set; }

    /// <summary>The coat that it comes after.</summary>
    public Guid AfterCoatId { get; set; }

    /// <summary>Numbers of the copies.</summary>
    public List<int> Copies { get; set; } = [];

    /// <summary>Key of the symptom.</summary>
    public string Symptom { get; set; } = "";

    /// <summary>Key of the cause that was thought of.</summary>
    public string Cause { get; set; } = "";

    /// <summary>What is done, in the painter's words.</summary>
    public string Does { get; set; } = "";

    /// <summary>It strips: what was on a copy before it is done there is gone.</summary>
    public bool Strips { get; set; }

    /// <summary>Its steps.</summary>
    public List<RepairStepRow> Steps { get; set; } = [];

    /// <summary>The coats of the scheme before the plan was changed with it, as JSON; empty where it was not.</summary>
    public string PlanBefore { get; set; } = "";

    /// <summary>Version of the scheme that the change of the plan made.</summary>
    public int PlanVersion { get; set; }

    /// <summary>The painter's word: it helped, or did not; null until then.</summary>
    public bool? Helped { get; set; }

    /// <summary>As Core knows it.</summary>
    /// <param name="materials">Finds a material of the shelf, or one that was taken off it.</param>
    /// <param name="paints">What coats are made of, by id.</param>
    public Repair ToCore(Func<Guid, Material?> materials, IReadOnlyDictionary<Guid, Paint> paints) =>
        new(AfterCoatId, Copies, [.. Steps.Select(s => new RepairStep(s.ToCore(materials, paints), s.Share, s.Minutes, s.WaitMin))]);
}

/// <summary>A step of a mend.</summary>
public sealed class RepairStepRow
{
    /// <summary>Identity of its coat: the log speaks of it.</summary>
    public Guid CoatId { get; set; }

    /// <summary>Technique.</summary>
    public Technique Technique { get; set; }

    /// <summary>Material, where one is laid.</summary>
    public Guid? MaterialId { get; set; }

    /// <summary>Mix, where one is laid.</summary>
    public Guid? MixId { get; set; }

    /// <summary>Colour that the material is mixed to by eye.</summary>
    public string? MixedTo { get; set; }

    /// <summary>Paint fraction.</summary>
    public double PaintFraction { get; set; } = 1;

    /// <summary>Thinner.</summary>
    public Thinner Thinner { get; set; }

    /// <summary>Share of the zone.</summary>
    public double Share { get; set; } = 1;

    /// <summary>Hands-on minutes a copy.</summary>
    public double Minutes { get; set; }

    /// <summary>Minutes that the copy then rests.</summary>
    public double WaitMin { get; set; }

    /// <summary>What is done, in words.</summary>
    public string Note { get; set; } = "";

    /// <summary>Its coat; work by hand where what it was laid with can't be used any more.</summary>
    public Coat ToCore(Func<Guid, Material?> materials, IReadOnlyDictionary<Guid, Paint> paints)
    {
        var row = new CoatRow { Id = CoatId, Technique = Technique, MaterialId = MaterialId, MixId = MixId, MixedTo = MixedTo, PaintFraction = PaintFraction, Thinner = Thinner, Note = Note };
        try
        {
            return row.ToCore(materials, paints);
        }
        catch (KeyNotFoundException)
        {
            return new() { Id = CoatId, Technique = Technique.Mend, Note = Note };
        }
    }
}
