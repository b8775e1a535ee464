using System.Diagnostics;
using System.Globalization;
using Lowfell.Core.Bases.Drawing;
using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Likeness;
using Lowfell.Core.Bases.Plane;

namespace Lowfell.Benchmarks;

/// <summary>What bases cost: one rolled, a hundred, a tray chosen, a thousand checked.</summary>
internal static class BasesBench
{
    private static readonly BaseForm Round25 = new(BaseShape.Round, 25, 25), Round28 = new(BaseShape.Round, 28.5, 28.5), Round32 = new(BaseShape.Round, 32, 32), Round40 = new(BaseShape.Round, 40, 40), Round60 = new(BaseShape.Round, 60, 60);

    private static readonly (BaseForm Form, Stance Stance)[] Forms =
    [
        (Round25, Stance.TwoFeet), (Round28, Stance.TwoFeet), (Round32, Stance.TwoFeet), (Round40, Stance.TwoFeet), (Round60, Stance.TwoFeet),
        (new(BaseShape.Oval, 60, 35), Stance.FourWheels), (new(BaseShape.Oval, 75, 42), Stance.FourWheels),
        (new(BaseShape.Rectangle, 25, 25), Stance.TwoFeet), (new(BaseShape.Rectangle, 50, 50), Stance.FourWheels), (new(BaseShape.Rectangle, 100, 30), Stance.FourWheels),
    ];

    public static void Run()
    {
        Tray(Twenty(), 2, 3, out _);
        Console.WriteLine("Bases");
        List<IReadOnlyList<Element>> forties = [.. Enumerable.Range(0, 20).Select(i => Dealt(Round40, Stance.TwoFeet, i))];
        var one = Time(20, i => Roller.Roll(Seat(Round40, Stance.TwoFeet), forties[i], (ulong)i, StarterFamilies.SaltCrust));
        Told("bases: one 40 mm base read as it stands", Time(20, i => Roller.Read(new(Seat(Round40, Stance.TwoFeet), forties[i], (ulong)i), StarterFamilies.SaltCrust)), "ms");
        Told("bases: a deal of one", Time(20, i => Dealt(Round40, Stance.TwoFeet, i)), "ms");
        var laid = Roller.Roll(Seat(Round40, Stance.TwoFeet), forties[0], 1, StarterFamilies.SaltCrust);
        Told("bases: where a hand may put one of its elements", Time(20, i => OpenGround.Of(laid.Plot, StarterFamilies.SaltCrust, i % laid.Elements.Count, i)), "ms");
        Told("bases: its picture, 480 points wide", Time(20, _ => BasePicture.Of(laid, 12)), "ms");
        Told("bases: one 40 mm base rolled", one, "ms");
        var watch = Stopwatch.StartNew();
        var hundred = Tray([.. Enumerable.Range(0, 100).Select(i => Seat(Forms[i % 10].Form, Forms[i % 10].Stance))], 1, 5, out _);
        Told("bases: 100 rolled on both cores", watch.Elapsed.TotalSeconds, "s");
        watch.Restart();
        var chosen = Tray(Twenty(), 12, 42, out var dealt);
        Told("bases: 20 chosen of 240", watch.Elapsed.TotalSeconds, "s");
        Tell(chosen);
        Console.WriteLine($"  stock left at least {dealt.Left.Values.Min()}; {string.Join(" ", dealt.Notes)}");
        var impressions = hundred.ConvertAll(Impression.Of);
        var distance = Time(200, i => impressions[0].From(impressions[1 + (i % 99)]));
        Told("bases: one difference", distance * 1000, "us");
        Thousand();
    }

    private static void Told(string name, double value, string unit)
    {
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"  {name}: {value:0.##} {unit}"));
        Noted.Less(name, value, unit);
    }

    private static void Tell(List<Layout> chosen)
    {
        var impressions = chosen.ConvertAll(Impression.Of);
        var least = Enumerable.Range(0, chosen.Count).SelectMany(i => Enumerable.Range(0, i).Select(j => impressions[i].From(impressions[j]))).ToList();
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"  chosen: least difference {least.Min():0.000}, mean {least.Average():0.000}; least resemblance {chosen.Min(Resemblance.Of):0.00}, mean {chosen.Average(Resemblance.Of):0.00}; rings {chosen.Count(l => l.Ring is not null)}, rows {chosen.Count(l => l.Row is not null)}; least calm {chosen.Min(l => l.Cover.CalmShare):0.00}; score {chosen.Average(l => l.Score):0.00}"));
    }

    private static void Thousand()
    {
        var layouts = new Layout[1000];
        var watch = Stopwatch.StartNew();
        Parallel.For(0, layouts.Length, i =>
        {
            var (form, stance) = Forms[i % 10];
            layouts[i] = Roller.Roll(Seat(form, stance), Dealt(form, stance, i), Seeds.Of(556, (ulong)i), StarterFamilies.SaltCrust);
        });
        Told("bases: 1,000 of ten forms", watch.Elapsed.TotalSeconds, "s");
        foreach (var form in layouts.GroupBy(l => l.Form.Word))
        {
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"  {form.Key,-20} {form.Average(l => l.Elements.Count),5:0.0} pieces, calm {form.Average(l => l.Cover.CalmShare):0.00} (least {form.Min(l => l.Cover.CalmShare):0.00}), score {form.Average(l => l.Score):0.00}, left out {form.Sum(l => l.Notes.Count),3}, resemblance {form.Average(Resemblance.Of):0.00}, rings {form.Count(l => l.Ring is not null)}, rows {form.Count(l => l.Row is not null)}, crackle {form.Average(l => l.Cover.Shares[0]):0.00}"));
        }

        foreach (var note in layouts.SelectMany(l => l.Notes).GroupBy(n => n.Text.Split('(')[0]).OrderByDescending(g => g.Count()).Take(6))
        {
            Console.WriteLine($"    {note.Count()} {note.Key}");
        }
    }

    private static List<Layout> Tray(List<Seat> seats, int rolls, ulong seed, out Dealt dealt)
    {
        var cards = dealt = Deal.Of([.. seats.Select(s => new DealTo(s, []))], [.. StarterBoxes.All.Select(s => s with { Count = s.Count * (seats.Count > 20 ? 9 : 1) })], StarterFamilies.SaltCrust, seed);
        var all = new (Layout Layout, Impression Impression)[seats.Count * rolls];
        Parallel.For(0, all.Length, j =>
        {
            var layout = Roller.Roll(seats[j / rolls], cards.ByCopy[j / rolls], Seeds.Of(seed, (ulong)(j / rolls), (ulong)(j % rolls), 1234), StarterFamilies.SaltCrust);
            all[j] = (layout, Impression.Of(layout));
        });
        List<IReadOnlyList<(Layout, Impression)>> byCopy = [.. all.Chunk(rolls)];
        return [.. Choice.Of(byCopy).Select((r, c) => all[(c * rolls) + r].Layout)];
    }

    private static List<Seat> Twenty() =>
    [
        .. Enumerable.Range(0, 12).Select(i => Seat(i % 4 == 3 ? Round28 : Round25, Stance.TwoFeet)),
        .. Enumerable.Range(0, 4).Select(i => Seat(Round32, i == 3 ? Stance.OneFoot : Stance.TwoFeet)),
        .. Enumerable.Range(0, 3).Select(_ => Seat(Round40, Stance.TwoFeet)),
        Seat(Round60, Stance.Stem),
    ];

    private static Seat Seat(BaseForm form, Stance stance) => new(form, Figure.Usual(stance, form));

    private static IReadOnlyList<Element> Dealt(BaseForm form, Stance stance, int seed) =>
        Deal.Of([new(Seat(form, stance), [])], [.. StarterBoxes.All.Select(s => s with { Count = 50 })], StarterFamilies.SaltCrust, Seeds.Of(555, (ulong)seed)).ByCopy[0];

    private static double Time(int times, Action<int> what)
    {
        what(0);
        var each = new List<double>();
        for (var i = 0; i < times; i++)
        {
            var watch = Stopwatch.StartNew();
            what(i);
            each.Add(watch.Elapsed.TotalMilliseconds);
        }

        return each.Order().ElementAt(times / 2);
    }
}
