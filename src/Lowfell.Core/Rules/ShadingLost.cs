using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Stacks;

namespace Lowfell.Core.Rules;

/// <summary>The shading of a pre-shade or zenithal is gone under an opaque coat.</summary>
internal static class ShadingLost
{
    public const string Id = "shading-lost";

    /// <summary>Recess against face that still reads as shading, dE00.</summary>
    private const double Least = 2;

    public static void Check(StackReading reading, List<Finding> findings)
    {
        var shade = -1;
        foreach (var i in reading.Applied)
        {
            var coat = reading.Coat(i);
            if (coat.Technique.Facts().Shades)
            {
                shade = i;
            }
            else if (shade >= 0 && Lost(reading.Prediction, i) && coat.Technique.Facts().Covers)
            {
                var lost = shade;
                findings.Add(new(
                    Id,
                    Severity.Risk,
                    coat.Id,
                    i,
                    $"This {coat.Technique.Facts().Word} hides the {reading.Coat(shade).Technique.Facts().Word}: {reading.Prediction.Strata[i].Shading:0.0} dE is left of {reading.Prediction.Below(i).Shading:0.0}.",
                    "Under 2 dE between recess and face nobody sees the shading any more.",
                    () => Mends(reading, lost, i)));
                shade = -1;
            }
        }
    }

    private static bool Lost(Prediction prediction, int i) => prediction.Below(i).Shading >= Least && prediction.Strata[i].Shading < Least;

    private static IEnumerable<Mend> Mends(StackReading reading, int shade, int i)
    {
        var coat = reading.Coat(i);
        var ground = Predictor.WalkTo(reading.Draft, i);
        bool Keeps(Coat changed)
        {
            // What lies below stays as it is: only this coat is laid anew.
            var trial = ground.Copy();
            trial.Lay(PreparedCoat.Of(changed, reading.Zone, null));
            return ColourDifference.Ciede2000(trial.Colour((int)ReliefHeight.Recess).ToLab(), trial.Colour((int)ReliefHeight.Face).ToLab()) >= Least;
        }

        for (var passes = coat.Passes - 1; passes >= 1; passes--)
        {
            var fewer = coat with { Passes = passes };
            if (Keeps(fewer))
            {
                yield return new("fewer", passes == 1 ? "Stop after one pass" : $"Stop after {passes} passes", () => reading.Draft.Replace(fewer));
                break;
            }
        }

        var takesMedium = coat.Paint?.Lead.Family.Takes(Thinner.AcrylicMedium) == true;
        foreach (var fraction in new[] { 0.6, 0.5, 0.4, 0.3, 0.2, 0.1 })
        {
            var least = coat.Paint!.Lead.Family.Facts().LeastPaintFraction;
            var thin = coat with { Passes = 1, Dilution = Dilution.Of(fraction), Thinner = takesMedium ? Thinner.AcrylicMedium : coat.Thinner };
            if (fraction < coat.Dilution.PaintFraction && (takesMedium || fraction >= least) && Keeps(thin))
            {
                yield return new("thinner", $"One thin coat at {fraction * 100:0} % paint{(takesMedium ? " in medium" : "")}", () => reading.Draft.Replace(thin));
                break;
            }
        }

        yield return new("move", $"Move the {reading.Coat(shade).Technique.Facts().Word} above it", () => AllShadesAbove(reading, i));
    }

    private static StackDraft AllShadesAbove(StackReading reading, int i)
    {
        bool IsShade(Coat c, int at) => at < i && !c.Skipped && c.Technique.Facts().Shades;
        var coats = reading.Draft.Coats;
        return reading.Draft with
        {
            Coats = [.. coats.Take(i + 1).Where((c, at) => !IsShade(c, at)), .. coats.Where(IsShade), .. coats.Skip(i + 1)],
        };
    }
}
