using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>One rule of the order of layers.</summary>
/// <param name="Id">Its id, as in the documentation.</param>
/// <param name="Check">Adds what it finds.</param>
internal sealed record Rule(string Id, Action<StackReading, List<Finding>> Check);

/// <summary>All rules, and the reading of a stack by them.</summary>
public static class RuleBook
{
    private static readonly Rule[] Rules =
    [
        new(SolventLiftsFilm.Id, SolventLiftsFilm.Check),
        new(ThinnerMismatch.Id, ThinnerMismatch.Check),
        new(OverThinned.Id, OverThinned.Check),
        new(SheenUnderPinWash.Id, SheenUnderPinWash.Check),
        new(WashOnFlat.Id, WashOnFlat.Check),
        new(HeavyWash.Id, HeavyWash.Check),
        new(ChippingSandwich.Id, ChippingSandwich.Check),
        new(SolubleMarking.Id, SolubleMarking.Check),
        new(TextureUnsealed.Id, TextureUnsealed.Check),
        new(AbsorbentUnsealed.Id, AbsorbentUnsealed.Check),
        new(FoamSolvent.Id, FoamSolvent.Check),
        new(ShadingLost.Id, ShadingLost.Check),
        new(ModulationOverPreshade.Id, ModulationOverPreshade.Check),
        new(ColourDrift.Id, ColourDrift.Check),
        new(NeedsLightGround.Id, NeedsLightGround.Check),
        new(FilterTooStrong.Id, FilterTooStrong.Check),
        new(NoVisibleChange.Id, NoVisibleChange.Check),
        new(BuildFillsDetail.Id, BuildFillsDetail.Check),
        new(GlossLost.Id, GlossLost.Check),
        new(PigmentUnderVarnish.Id, PigmentUnderVarnish.Check),
        new(FinalSealMissing.Id, FinalSealMissing.Check),
        new(HotAirNotHere.Id, HotAirNotHere.Check),
    ];

    /// <summary>Ids of every rule.</summary>
    public static IReadOnlyList<string> Ids { get; } = [.. Rules.Select(r => r.Id)];

    /// <summary>Reads a stack with every rule: the worst first, then from below.</summary>
    /// <param name="draft">The stack.</param>
    /// <param name="prediction">Its prediction.</param>
    /// <param name="shelf">What mends may reach for.</param>
    public static IReadOnlyList<Finding> Read(StackDraft draft, Prediction prediction, Shelf shelf)
    {
        var reading = new StackReading(draft, prediction, shelf);
        var findings = new List<Finding>();
        foreach (var rule in Rules)
        {
            rule.Check(reading, findings);
        }

        findings.Sort(static (a, b) => a.Severity != b.Severity ? a.Severity.CompareTo(b.Severity) : a.Gap != b.Gap ? a.Gap.CompareTo(b.Gap) : string.CompareOrdinal(a.Rule, b.Rule));
        return findings;
    }
}
