using System.Text.Json;
using Lowfell.Core.Mixes;
using Lowfell.Core.Rules;
using Lowfell.Core.Safety;
using Lowfell.Core.Stacks;
using Lowfell.Web.Hosting;

namespace Lowfell.Web.Features.Stack;

/// <summary>
/// Answers a preview straight from Core: every keystroke waits for it, and the contract's records cost more to build and to walk
/// through than the films themselves. What it writes is a <see cref="StackPreview"/>; a test holds the two equal.
/// </summary>
public sealed class PreviewText
{
    private readonly StackDraft draft;
    private readonly JsonText json;

    private PreviewText(StackDraft draft, JsonText json) => (this.draft, this.json) = (draft, json);

    private static readonly string[] Severities = [.. Enum.GetNames<Severity>().Select(JsonNamingPolicy.CamelCase.ConvertName)];
    private static readonly string[] Hazards = [.. Enum.GetNames<Hazard>().Select(JsonNamingPolicy.CamelCase.ConvertName)];

    [ThreadStatic]
    private static JsonText? kept;

    /// <summary>The answer as JSON.</summary>
    public static byte[] Json(StackDraft draft, Core.Rules.Shelf shelf)
    {
        var text = kept ??= new JsonText();
        text.Clear();
        new PreviewText(draft, text).Write(shelf);
        return text.Written.ToArray();
    }

    private void Write(Core.Rules.Shelf shelf)
    {
        var prediction = Predictor.Predict(draft);
        json.Raw("{\"substrate\":{"u8);
        Stratum(prediction.Substrate, null);
        json.Raw("},\"strata\":["u8);
        for (var i = 0; i < draft.Coats.Count; i++)
        {
            json.Raw(i == 0 ? "{\"coatId\":"u8 : ",{\"coatId\":"u8);
            json.Id(draft.Coats[i].Id);
            json.Raw(","u8);
            Stratum(prediction.Strata[i], draft.Coats[i]);
            json.Raw("}"u8);
        }

        json.Raw("],\"findings\":["u8);
        var next = false;
        foreach (var finding in RuleBook.Read(draft, prediction, shelf))
        {
            json.Raw(next ? ",{"u8 : "{"u8);
            Finding(finding);
            next = true;
        }

        json.Raw("],\"cautionNote\":"u8);
        json.Text(Cautions.Defer);
        json.Raw("}"u8);
    }

    private void Stratum(Stratum s, Coat? coat)
    {
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
        var drying = StackWriter.Drying(coat, draft);
        json.Raw(",\"touchMin\":"u8);
        json.Number(drying.TouchMin);
        json.Raw(",\"recoatMin\":"u8);
        json.Number(drying.RecoatMin);
        json.Raw(",\"curedH\":"u8);
        json.Number(drying.CuredMin / 60, 1);
        if (drying.WorkFromMin is { } from && drying.WorkToMin is { } to)
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

        if (StackWriter.Mix(CoatMix.For(coat, draft.Zone)) is { } mix)
        {
            Mix(mix);
        }

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
        json.Raw("}"u8);
    }

    private void Finding(Finding finding)
    {
        json.Raw("\"rule\":"u8);
        json.Text(finding.Rule);
        json.Raw(",\"aspect\":"u8);
        json.Text(finding.Aspect);
        json.Raw(",\"severity\":"u8);
        json.Text(Severities[(int)finding.Severity]);
        json.Raw(",\"coatId\":"u8);
        json.Id(finding.CoatId);
        json.Raw(",\"gap\":"u8);
        json.Number(finding.Gap);
        json.Raw(",\"what\":"u8);
        json.Text(finding.What);
        json.Raw(",\"why\":"u8);
        json.Text(finding.Why);
        json.Raw(",\"mends\":["u8);
        for (var i = 0; i < finding.Mends.Count; i++)
        {
            json.Raw(i == 0 ? "{\"id\":"u8 : ",{\"id\":"u8);
            json.Text(finding.Mends[i].Id);
            json.Raw(",\"label\":"u8);
            json.Text(finding.Mends[i].Label);
            json.Raw("}"u8);
        }

        json.Raw("]}"u8);
    }
}
