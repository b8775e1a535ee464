using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Steps;
using Lowfell.Core.Evenings.Work;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Xunit;

namespace Lowfell.Core.Tests.Evenings;

public sealed class FirstCopyTests
{
    private static (Bench Bench, WorkZone Face, WorkPiece Piece) Wall(int copies = 4)
    {
        var bench = new Bench();
        var piece = Bench.Piece("Wall", copies);
        var face = bench.Zone(piece, "Face", Build.Coat(Technique.BaseCoat, Build.RopeTan), Build.Coat(Technique.DryBrush, Build.SaltWhite) with { Optional = true });
        return (bench, face, piece);
    }

    [Fact]
    public void It_is_told_once_one_is_finished_and_others_are_not()
    {
        var (bench, face, piece) = Wall(2);
        Assert.Null(FirstCopy.Of(bench.Work(), piece.Id));
        bench.Done(face, 0, 2, -100, 6);
        Assert.Null(FirstCopy.Of(bench.Work(), piece.Id));
        bench.Done(face, 1, 2, -50, 3);
        var first = FirstCopy.Of(bench.Work(), piece.Id)!;
        Assert.Equal(2, first.Copy);
        Assert.Equal([1], first.Rest);
        Assert.Equal([6.0, 3.0], first.Steps.Select(s => s.RealMin!.Value));
        Assert.All(first.Steps, s => Assert.True(s.DeltaE > 0));
        bench.Done(face, 0, 1, -20).Done(face, 1, 1, -10);
        Assert.Null(FirstCopy.Of(bench.Work(), piece.Id));
        bench.Wrote(LogKind.TakenBack, Bench.Id(face, 1), 1, -5);
        Assert.NotNull(FirstCopy.Of(bench.Work(), piece.Id));
    }

    [Fact]
    public void What_may_be_left_out_is_offered_with_the_minutes_that_it_took_for_those_that_have_not_got_it()
    {
        var (bench, face, piece) = Wall();
        bench.Done(face, 0, 1, -100).Done(face, 1, 1, -50, 7).Done(face, 0, 2, -20).Done(face, 1, 2, -10);
        var drop = FirstCopy.Of(bench.Work(), piece.Id)!.Drop!;
        Assert.Equal((Technique.DryBrush, 14.0), (drop.Coat.Technique, drop.SavedMin));
        bench.Wrote(LogKind.Skipped, Bench.Id(face, 1), 3, -5).Wrote(LogKind.Skipped, Bench.Id(face, 1), 4, -5);
        Assert.Null(FirstCopy.Of(bench.Work(), piece.Id)!.Drop);
    }

    [Fact]
    public void Masking_is_weighed_against_touching_up_over_the_rest()
    {
        var bench = new Bench();
        var piece = Bench.Piece("Hull", 5);
        var bed = bench.Zone(piece, "Bed", Build.Coat(Technique.BaseCoat, Build.RopeTan, passes: 2));
        var panels = bench.Zone(piece, "Panels", Fitting.Free, [bed.Id], Build.Coat(Technique.Airbrush, Build.SaltWhite));
        foreach (var step in bench.Work().Zones.SelectMany(z => z.Steps.Select(s => s.Id(z.Zone.Id))))
        {
            bench.Wrote(LogKind.Done, step, 1, -10);
        }

        var work = bench.Work();
        var first = FirstCopy.Of(work, piece.Id)!;
        var saved = Overspray.RepaintMinutes(work.Zones[0].Steps) - Overspray.MaskMinutes(panels.Stack.Zone, bed.Stack.Zone) - Overspray.UnmaskMin;
        Assert.Equal(4 * saved, first.MaskSavesMin!.Value, 6);
        Assert.True(first.Batch >= 1);
        Assert.Null(FirstCopy.Of(work, Guid.NewGuid()));
    }
}
