using Lowfell.Core.Materials;
using Lowfell.Core.Drying;
using Lowfell.Core.Mixes;
using Lowfell.Core.Rules;
using Lowfell.Core.Safety;
using Lowfell.Core.Stacks;

namespace Lowfell.Web.Features.Stack;

/// <summary>Maps what Core computed to what is sent, once, on the way out.</summary>
public static class StackWriter
{
    /// <summary>A draft predicted, read by the rules and mapped.</summary>
    public static StackPreview Preview(StackDraft draft, Core.Rules.Shelf shelf)
    {
        var prediction = Predictor.Predict(draft);
        var findings = RuleBook.Read(draft, prediction, shelf);
        var strata = new StratumView[draft.Coats.Count];
        for (var i = 0; i < strata.Length; i++)
        {
            strata[i] = Stratum(prediction.Strata[i], draft.Coats[i], draft);
        }

        return new(Stratum(prediction.Substrate, null, draft), strata, [.. findings.Select(Finding)], Cautions.Defer);
    }

    private static FindingView Finding(Finding f) =>
        new(f.Rule, f.Aspect, f.Severity, f.CoatId, f.Gap, f.What, f.Why, [.. f.Mends.Select(m => new MendView(m.Id, m.Label))]);

    private static StratumView Stratum(Stratum s, Coat? coat, StackDraft draft)
    {
        var drying = Drying(coat, draft);
        return new(
            coat?.Id,
            Height(s.Recess),
            Height(s.Face),
            Height(s.Edge),
            s.Mean.ToString(),
            s.Mark?.ToString(),
            Math.Round(s.Shading, 1),
            Math.Round(s.TotalFilmUm, 1),
            IsBarrier(coat),
            drying.TouchMin,
            drying.RecoatMin,
            Math.Round(drying.CuredMin / 60, 1),
            drying.WorkFromMin,
            drying.WorkToMin,
            coat is null ? null : Mix(CoatMix.For(coat, draft.Zone)),
            coat is not null && Cautions.For(coat) is { Count: > 0 } cautions ? cautions : null);
    }

    /// <summary>Whether a coat stands in the core sample as a clear band that protects what is under it.</summary>
    internal static bool IsBarrier(Coat? coat) => coat?.Family is { } family && (family.IsVarnish() || coat.Technique == Technique.Seal);

    /// <summary>When a coat is dry in the draft's air, rounded for reading.</summary>
    internal static DryingTimes Drying(Coat? coat, StackDraft draft)
    {
        if (coat is null)
        {
            return DryingTimes.None;
        }

        var times = DryingTimes.Of(coat, draft.Zone, draft.Climate);
        return new(Math.Round(times.TouchMin), Math.Round(times.RecoatMin), Math.Round(times.CuredMin / 60, 1) * 60, times.WorkFromMin is { } from ? Math.Round(from) : null, times.WorkToMin is { } to ? Math.Round(to) : null);
    }

    private static HeightView Height(in HeightColour c) => new(
        c.Colour.ToString(),
        [Math.Round(c.Lab.L, 2), Math.Round(c.Lab.A, 2), Math.Round(c.Lab.B, 2)],
        Math.Round(c.DeltaBelow, 2),
        c.DeltaTarget is { } target ? Math.Round(target, 2) : null,
        Math.Round(c.FilmUm, 2),
        c.Light.ToString(),
        c.Heavy.ToString(),
        Math.Round(c.SpanDeltaE, 2));

    /// <summary>What to mix, rounded for reading.</summary>
    internal static CoatMixView? Mix(CoatMix? mix)
    {
        if (mix is null)
        {
            return null;
        }

        var (paint, thinner) = mix.Dilution.WholeParts();
        return new(
            paint,
            thinner,
            Math.Round(mix.Dilution.ThinnerOfWhole * 100, 1),
            Math.Round(mix.Dilution.ThinnerAdded * 100, 1),
            mix.Drops.Paint,
            mix.Drops.Thinner,
            Math.Round(mix.Drops.TruePaintFraction, 3),
            Math.Round(mix.TotalMl, 2),
            Math.Round(mix.PaintMl, 2),
            Math.Round(mix.ThinnerMl, 2));
    }
}
