using Lowfell.Core.Colour;
using Lowfell.Core.Amounts;
using Lowfell.Core.Drying;
using Lowfell.Core.Prediction;
using Lowfell.Core.Rules;
using Lowfell.Core.Safety;
using Lowfell.Core.Stacks;
using Lowfell.Web.Api;

namespace Lowfell.Web.Features.Stack;

/// <summary>
/// Answers a preview straight from Core: every keystroke waits for it, and the contract's records cost more to build and to walk
/// through than the films themselves. What it writes reads as a <see cref="StackPreview"/>; a test holds that.
/// </summary>
public sealed class PreviewText
{
    private static readonly IReadOnlyList<string> Severities = WordConverters.Words(typeof(Severity));
    private static readonly IReadOnlyList<string> Hazards = WordConverters.Words(typeof(Hazard));
    private static readonly IReadOnlyList<string> WaitKinds = WordConverters.Words(typeof(WaitKind));

    private readonly StackDraft draft;
    private readonly Reading reading;
    private readonly JsonText json;

    private PreviewText(StackDraft draft, JsonText json) => (this.draft, reading, this.json) = (draft, new(draft, Predictor.Predict(draft)), json);

    private static readonly byte[][] Places = [",\"elevations\":{\"top\":{\"heightMm\":"u8.ToArray(), ",\"middle\":{\"heightMm\":"u8.ToArray(), ",\"foot\":{\"heightMm\":"u8.ToArray()];

    [ThreadStatic]
    private static JsonText? kept;

    /// <summary>The answer as JSON.</summary>
    public static byte[] Json(StackDraft draft)
    {
        var text = kept ??= new JsonText();
        text.Clear();
        new PreviewText(draft, text).Write();
        return text.Written.ToArray();
    }

    private void Write()
    {
        var prediction = reading.Prediction;
        json.Raw("{\"substrate\":{"u8);
        Stratum(prediction.Substrate, -1);
        json.Raw("},\"strata\":["u8);
        for (var i = 0; i < draft.Coats.Count; i++)
        {
            json.Raw(i == 0 ? "{\"coatId\":"u8 : ",{\"coatId\":"u8);
            json.Id(draft.Coats[i].Id);
            json.Raw(","u8);
            Stratum(prediction.Strata[i], i);
            json.Raw("}"u8);
        }

        json.Raw("]"u8);
        if (prediction.Elevations is { } elevations)
        {
            Elevations(elevations);
        }

        if (draft.Zone.Target is { } wanted)
        {
            json.Raw(",\"off\":"u8);
            json.Text(DifferenceWords.Of(wanted.ToLab(), prediction.Top.Face.Lab));
        }

        json.Raw(",\"findings\":["u8);
        var next = false;
        foreach (var finding in RuleBook.Read(reading))
        {
            json.Raw(next ? ",{"u8 : "{"u8);
            Finding(finding);
            next = true;
        }

        json.Raw("],\"cautionNote\":"u8);
        json.Text(Cautions.Defer);
        json.Raw("}"u8);
    }

    private void Elevations(IReadOnlyList<Elevation> elevations)
    {
        for (var e = 0; e < Places.Length; e++)
        {
            json.Raw(Places[e]);
            json.Number(elevations[e].HeightMm, 1);
            json.Raw(",\"strata\":["u8);
            for (var i = 0; i < elevations[e].Looks.Count; i++)
            {
                var look = elevations[e].Looks[i];
                json.Raw(i == 0 ? "["u8 : ",["u8);
                json.Colour(look.Recess);
                json.Raw(","u8);
                json.Colour(look.Face);
                json.Raw(","u8);
                json.Colour(look.Edge);
                json.Raw("]"u8);
            }

            json.Raw("]}"u8);
        }

        json.Raw("}"u8);
    }

    private void Stratum(Stratum s, int index)
    {
        var coat = index < 0 ? null : draft.Coats[index];
        json.Raw("\"recess\":{"u8);
        Height(s.Recess);
        json.Raw("},\"face\":{"u8);
        Height(s.Face);
        json.Raw("},\"edge\":{"u8);
        Height(s.Edge);
        json.Raw("},\"mean\":"u8);
        json.Colour(s.Mean);
        if (s.Mark is { } mark)
        {
            json.Raw(",\"mark\":"u8);
            json.Colour(mark);
        }

        json.Raw(",\"shading\":"u8);
        json.Number(s.Shading, 1);
        json.Raw(",\"totalFilmUm\":"u8);
        json.Number(s.TotalFilmUm, 1);
        json.Raw(StackWriter.IsBarrier(coat) ? ",\"barrier\":true"u8 : ",\"barrier\":false"u8);
        var drying = StackWriter.Drying(index < 0 ? DryingTimes.None : reading.Times(index));
        json.Raw(",\"touchMin\":"u8);
        json.Number(drying.TouchMin);
        json.Raw(",\"recoatMin\":"u8);
        json.Number(drying.RecoatMin);
        json.Raw(",\"curedH\":"u8);
        json.Number(drying.CuredMin / 60, 1);
        if (drying.CleanFromMin is { } from && drying.CleanToMin is { } to)
        {
            json.Raw(",\"workFromMin\":"u8);
            json.Number(from);
            json.Raw(",\"workToMin\":"u8);
            json.Number(to);
        }

        if (coat is null)
        {
            return;
        }

        if (!coat.Skipped)
        {
            Wait(reading.Waits[index]);
        }

        if (StackWriter.Mix(CoatMix.For(coat, draft.Zone, draft.Schools.Highlights)) is { } mix)
        {
            Mix(mix);
        }

        json.Raw(",\"tool\":"u8);
        json.Text(ToolChoice.Words(coat, draft.Zone));
        if (Cautions.For(coat) is { Count: > 0 } cautions)
        {
            for (var i = 0; i < cautions.Count; i++)
            {
                json.Raw(i == 0 ? ",\"cautions\":[{\"hazard\":"u8 : "},{\"hazard\":"u8);
                json.Text(Hazards[(int)cautions[i].Hazard]);
                json.Raw(",\"text\":"u8);
                json.Text(cautions[i].Text);
            }

            json.Raw("}]"u8);
        }
    }

    private void Wait(StackWait wait)
    {
        json.Raw(",\"wait\":{\"kind\":"u8);
        json.Text(WaitKinds[(int)wait.Kind]);
        json.Raw(",\"minutes\":"u8);
        json.Number(wait.Minutes, 0);
        if (Math.Abs(wait.Minutes - wait.NeededMin) > StackWait.Slack)
        {
            json.Raw(",\"needed\":"u8);
            json.Number(wait.NeededMin, 0);
        }

        if (wait.MostMin is { } most)
        {
            json.Raw(",\"most\":"u8);
            json.Number(most, 0);
        }

        json.Raw(",\"film\":"u8);
        json.Text(reading.Word(wait.From));
        if (wait.From >= 0)
        {
            json.Raw(",\"from\":"u8);
            json.Id(draft.Coats[wait.From].Id);
        }

        json.Raw("}"u8);
    }

    private void Height(in HeightColour c)
    {
        json.Raw("\"hex\":"u8);
        json.Colour(c.Colour);
        json.Raw(",\"lab\":["u8);
        json.Number(c.Lab.L, 2);
        json.Raw(","u8);
        json.Number(c.Lab.A, 2);
        json.Raw(","u8);
        json.Number(c.Lab.B, 2);
        json.Raw("],\"deBelow\":"u8);
        json.Number(c.DeltaBelow, 2);
        if (c.DeltaTarget is { } target)
        {
            json.Raw(",\"deTarget\":"u8);
            json.Number(target, 2);
        }

        json.Raw(",\"filmUm\":"u8);
        json.Number(c.FilmUm, 2);
        json.Raw(",\"light\":"u8);
        json.Colour(c.Light);
        json.Raw(",\"heavy\":"u8);
        json.Colour(c.Heavy);
        json.Raw(",\"deSpan\":"u8);
        json.Number(c.SpanDeltaE, 2);
    }

    private void Mix(CoatMixView mix)
    {
        json.Raw(",\"mix\":{\"paintParts\":"u8);
        json.Number(mix.PaintParts);
        json.Raw(",\"thinnerParts\":"u8);
        json.Number(mix.ThinnerParts);
        json.Raw(",\"thinnerOfWhole\":"u8);
        json.Number(mix.ThinnerOfWhole);
        json.Raw(",\"thinnerAdded\":"u8);
        json.Number(mix.ThinnerAdded);
        json.Raw(",\"paintDrops\":"u8);
        json.Number(mix.PaintDrops);
        json.Raw(",\"thinnerDrops\":"u8);
        json.Number(mix.ThinnerDrops);
        json.Raw(",\"truePaintFraction\":"u8);
        json.Number(mix.TruePaintFraction);
        json.Raw(",\"totalMl\":"u8);
        json.Number(mix.TotalMl);
        json.Raw(",\"paintMl\":"u8);
        json.Number(mix.PaintMl);
        json.Raw(",\"thinnerMl\":"u8);
        json.Number(mix.ThinnerMl);
        json.Raw(",\"times\":"u8);
        json.Number(mix.Times);
        json.Raw("}"u8);
    }

    private void Finding(Finding finding)
    {
        json.Raw("\"rule\":"u8);
        json.Text(finding.Rule.Id);
        json.Raw(",\"title\":"u8);
        json.Text(finding.Rule.Title);
        json.Raw(",\"aspect\":"u8);
        json.Text(finding.Fault.Aspect);
        json.Raw(",\"severity\":"u8);
        json.Text(Severities[(int)finding.Severity]);
        json.Raw(",\"coatId\":"u8);
        json.Id(finding.CoatId);
        if (finding.WithId is { } with)
        {
            json.Raw(",\"with\":"u8);
            json.Id(with);
        }

        json.Raw(",\"gap\":"u8);
        json.Number(finding.Gap);
        json.Raw(",\"what\":"u8);
        json.Text(finding.What);
        json.Raw(",\"why\":"u8);
        json.Text(finding.Why);
        if (finding.Fault.Figure.Length > 0)
        {
            json.Raw(",\"figure\":"u8);
            json.Text(finding.Fault.Figure);
        }

        if (finding.Fault.School.Length > 0)
        {
            json.Raw(",\"school\":"u8);
            json.Text(finding.Fault.School);
        }

        json.Raw(",\"mark\":"u8);
        json.Text(finding.Mark);
        if (finding.Rests is { } reason)
        {
            json.Raw(",\"rests\":"u8);
            json.Text(reason);
        }

        json.Raw("}"u8);
    }
}
