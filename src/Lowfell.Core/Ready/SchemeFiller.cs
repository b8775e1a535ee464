using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Mixes;
using Lowfell.Core.Prediction;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Ready;

/// <summary>What a role was filled with.</summary>
public enum Filling
{
    /// <summary>What it asks for is on the shelf.</summary>
    [Said("on the shelf")]
    Own,

    /// <summary>Something else of the shelf is near enough to stand in.</summary>
    [Said("a stand-in")]
    StandIn,

    /// <summary>Nothing on the shelf will do: it has to be bought.</summary>
    [Said("to buy")]
    ToBuy,

    /// <summary>Not needed here, or done without.</summary>
    [Said("left out")]
    LeftOut,
}

/// <summary>A role with what fills it.</summary>
/// <param name="Role">The coat as it is written.</param>
/// <param name="Coat">The coat as it would be laid; null where it is left out.</param>
/// <param name="Filling">Where its material comes from.</param>
/// <param name="Said">What a painter should know of it, in a sentence; empty where all is as written.</param>
public sealed record FilledRole(RoleCoat Role, Coat? Coat, Filling Filling, string Said);

/// <summary>A scheme filled for a zone.</summary>
/// <param name="Scheme">The scheme.</param>
/// <param name="Draft">The stack.</param>
/// <param name="Roles">Each of its coats with what fills it.</param>
/// <param name="Look">What the zone would look like.</param>
/// <param name="Off">dE00 to the written look.</param>
public sealed record FilledScheme(ReadyScheme Scheme, StackDraft Draft, IReadOnlyList<FilledRole> Roles, ByHeight<Srgb> Look, ByHeight<double> Off)
{
    /// <summary>The largest of the three, dE00.</summary>
    public double Farthest => Math.Max(Off.Recess, Math.Max(Off.Face, Off.Edge));

    /// <summary>How it differs from what is written, in words.</summary>
    public string Words
    {
        get
        {
            var written = Scheme.Look.ToLab();
            var said = Look.Select(c => c.ToLab());
            string At(string where, Lab from, Lab to) => $"{where} {DifferenceWords.Of(from, to)}";
            return Wording.Words.Capital(string.Join(", ", new[] { At("recess", written.Recess, said.Recess), At("face", written.Face, said.Face), At("edge", written.Edge, said.Edge) }));
        }
    }
}

/// <summary>Fills the roles of a scheme from a shelf, by what the finished zone would look like.</summary>
/// <remarks>
/// Each role begins with the swatch that is nearest to the written colour, in the way that is usual and can be done with the tools; then one role
/// after the other takes whatever brings the finished recess, face and edge nearest to the written look (coordinate descent), until none changes.
/// What is another colour altogether is never taken for that: a compensating error is none that a painter would make.
/// </remarks>
public sealed class SchemeFiller
{
    // A way that is less usual has to bring the look so much nearer, dE00; of the swatch itself so small a share counts. Craft estimates.
    private const double WayCost = 3, SwatchShare = 0.05;

    // Up to this a paint is the one that is asked for; up to the other it may stand in, dE00 of the swatches. Craft estimates.
    internal const double SameSwatch = 5;

    private const double FarthestStandIn = 16;

    // In search of the look a role may take a swatch that is so much farther off than the nearest, dE00.
    private const double Leeway = 9;

    // One of two thin washes. Craft estimate.
    private const double ThinWash = 0.6;

    private const int MostRounds = 4, MostPasses = 3;

    // A varnish of another sheen is another varnish.
    private const double SheenStepCost = 20;
    // Under this a coat changes nothing that anyone sees, dE00, as the rule has it.
    private const double UnseenStep = 1;

    private static readonly SchemeRole[] Shows = [SchemeRole.Overbrush, SchemeRole.Layer, SchemeRole.Light, SchemeRole.Edge, SchemeRole.Shade, SchemeRole.Filter, SchemeRole.Glaze, SchemeRole.Patches];
    private static readonly double[] Weights = [0.3, 0.4, 0.3];

    private readonly ReadyScheme scheme;
    private readonly Zone zone;
    private readonly Shelf shelf;
    private readonly Schools schools;
    private readonly Tools tools;
    private readonly IReadOnlyList<RoleCoat> roles;
    private readonly ByHeight<Lab> wanted;
    private readonly List<Option>[] options;
    private readonly Option?[] chosen;
    private readonly bool[] unseen;

    private SchemeFiller(ReadyScheme scheme, Zone zone, Shelf shelf, Schools schools)
    {
        (this.scheme, this.zone, this.shelf, this.schools, tools) = (scheme, zone, shelf, schools, shelf.Tools);
        roles = [.. Grounded(scheme.Coats, zone, schools)];
        wanted = scheme.Look.ToLab();
        options = [.. roles.Select((r, i) => Options(r, i))];
        chosen = [.. options.Select(o => o.MinBy(x => x.Cost))];
        unseen = new bool[roles.Count];
    }

    /// <summary>One way to fill a role; how far its swatch, or the sheen of a varnish, is from what is asked.</summary>
    private sealed record Option(RoleWay Way, Material Material, double Swatch, double Cost, bool Bought);

    /// <summary>Fills a scheme.</summary>
    /// <param name="scheme">The scheme.</param>
    /// <param name="zone">What it goes on.</param>
    /// <param name="shelf">What there is, and the tools.</param>
    /// <param name="schools">The preferences.</param>
    public static FilledScheme Fill(ReadyScheme scheme, Zone zone, Shelf shelf, Schools schools)
    {
        ArgumentNullException.ThrowIfNull(scheme);
        ArgumentNullException.ThrowIfNull(zone);
        ArgumentNullException.ThrowIfNull(shelf);
        ArgumentNullException.ThrowIfNull(schools);
        var filler = new SchemeFiller(scheme, zone, shelf, schools);
        filler.Improve();
        return filler.Told();
    }

    // What would melt or drinks is closed first, where the scheme does not; what is loose or brittle is bound where the school says so.
    private static IEnumerable<RoleCoat> Grounded(IReadOnlyList<RoleCoat> coats, Zone zone, Schools schools)
    {
        var ground = zone.Substrate.Facts();
        var first = coats[0].Role;
        if (first is not (SchemeRole.Sealer or SchemeRole.Texture or SchemeRole.Grit) && (ground.Melts || (ground.Thirst == Thirst.Drinks && first != SchemeRole.Primer)))
        {
            yield return new() { Role = SchemeRole.Sealer };
        }

        foreach (var coat in coats)
        {
            yield return coat;
            if (coat.Role == SchemeRole.Grit && schools.Grit == GritSchool.GlueFirst)
            {
                yield return new() { Role = SchemeRole.Sealer, By = Technique.DripGlue, Family = Family.Pva };
            }
            else if (coat.Role == SchemeRole.Crackle && schools.Brittle == BrittleSchool.SealFirst)
            {
                yield return new() { Role = SchemeRole.Sealer, By = Technique.Varnish, Sheen = Sheen.Matt, Passes = 2 };
            }
        }
    }

    private List<Option> Options(RoleCoat role, int place)
    {
        if (role.By is { } hand && !hand.Facts().NeedsMaterial)
        {
            return [];
        }

        var own = Options(role, place, shelf.Materials, bought: false).ToList();
        if (own.Count > 0 && own.Min(o => o.Swatch) <= FarthestStandIn)
        {
            return own;
        }

        // Nothing stands in: what most benches begin with is bought, whatever is the nearest.
        var bought = role.Optional ? [] : Options(role, place, StarterShelf.Materials, bought: true).ToList();
        return bought.Count > 0 && (own.Count == 0 || bought.Min(o => o.Swatch) < own.Min(o => o.Swatch)) ? bought : role.Optional ? [] : own;
    }

    private IEnumerable<Option> Options(RoleCoat role, int place, IReadOnlyList<Material> materials, bool bought) =>
        from indexed in WaysOf(role).Select((Way, Index) => (Way, Index))
        from material in materials
        where indexed.Way.Families.Contains(material.Family) && tools.Can(indexed.Way.Technique, material.Family) && (IsClear(role) || material.Effect == (role.Metal ? Effect.Metallic : Effect.Plain)) && Bears(material, place)
        let off = IsClear(role)
            ? (material.Family.IsVarnish() && role.Role != SchemeRole.Sealer ? material.Sheen.StepsTo(SheenOf(role)) * SheenStepCost : 0)
            : ColourDifference.Ciede2000(Srgb.Parse(role.Colour!).ToLab(), material.Colour.ToLab())
        select new Option(indexed.Way, material, off, off + (indexed.Index * WayCost), bought);

    // Bare foam takes nothing that would eat it, and what drinks is primed with what seals.
    private bool Bears(Material material, int place) => place > 0 || (zone.Substrate.Facts(), material.Family.Facts()) switch
    {
        ({ Melts: true }, var what) => what.Carrier == Carrier.Water && !what.EatsFoam,
        ({ Thirst: Thirst.Drinks }, { Kind: Kind.Paint or Kind.Primer } what) => what.Seals,
        _ => true,
    };

    private static IEnumerable<RoleWay> WaysOf(RoleCoat role)
    {
        var ways = role.Role.Ways();
        return role.By is not { } by ? ways
            : ways.Any(w => w.Technique == by) ? ways.OrderByDescending(w => w.Technique == by)
            : ways.Prepend(new RoleWay(by, role.Family is { } family ? [family] : [.. ways.SelectMany(w => w.Families).Distinct()]));
    }

    private static bool IsClear(RoleCoat role) => role.Role is SchemeRole.Barrier or SchemeRole.Seal or SchemeRole.Sealer or SchemeRole.Fixing || role.Colour is null;

    private Sheen SheenOf(RoleCoat role) => role.Sheen ?? (role.Role == SchemeRole.Barrier ? schools.PinWashSheen : scheme.Finish);

    private void Improve()
    {
        var (best, _, _) = Judge();
        for (var round = 0; round < MostRounds; round++)
        {
            var before = best;
            for (var i = 0; i < roles.Count; i++)
            {
                if (IsClear(roles[i]) || options[i].Count < 2)
                {
                    continue;
                }

                var (kept, nearest) = (chosen[i], options[i].Min(o => o.Swatch));
                foreach (var option in options[i].Where(o => o != kept && o.Swatch <= nearest + Leeway))
                {
                    var last = chosen[i];
                    chosen[i] = option;
                    var (cost, _, _) = Judge();
                    if (cost < best - 1e-9)
                    {
                        best = cost;
                    }
                    else
                    {
                        chosen[i] = last;
                    }
                }
            }

            if (best == before)
            {
                return;
            }
        }
    }

    private (double Cost, StackDraft Draft, ByHeight<Srgb> Look) Judge()
    {
        var draft = Draft();
        var top = Predictor.PredictMiddle(draft).Top;
        double square = 0, other = 0;
        for (var h = 0; h < Weights.Length; h++)
        {
            var off = ColourDifference.Ciede2000(wanted[h], top.At(h).Lab);
            square += Weights[h] * off * off;
        }

        for (var i = 0; i < roles.Count; i++)
        {
            if (chosen[i] is { } option && !IsClear(roles[i]))
            {
                other += (option.Swatch * SwatchShare) + (option.Cost - option.Swatch);
            }
        }

        return (Math.Sqrt(square) + other, draft, new(top.Recess.Colour, top.Face.Colour, top.Edge.Colour));
    }

    private StackDraft Draft()
    {
        var coats = new List<Coat>(roles.Count);
        for (var i = 0; i < roles.Count; i++)
        {
            if (roles[i].By is { } hand && !hand.Facts().NeedsMaterial)
            {
                coats.Add(new() { Id = IdOf(i), Technique = hand, Passes = roles[i].Passes ?? 1, Marks = roles[i].Marks, Note = roles[i].Note });
            }
            else if (chosen[i] is { } option && IsWanted(i))
            {
                coats.Add(Covering(CoatOf(roles[i], option, i), roles[i], coats));
            }
        }

        return new(zone, schools, coats);
    }

    // A barrier is for what comes in spirit or runs along creases; fixing is for powder. What somebody wrote with its way is wanted.
    private bool IsWanted(int place) => roles[place].By is not null || roles[place].Role switch
    {
        SchemeRole.Barrier => Next(place) is { } next && (roles[next].Role == SchemeRole.PinWash || chosen[next]!.Material.Family.Facts().Carrier == Carrier.WhiteSpirit),
        SchemeRole.Fixing => schools.Pigments == PigmentSchool.Fixed && place > 0 && chosen[place - 1]?.Way.Technique == Technique.Pigment,
        _ => true,
    };

    private int? Next(int place)
    {
        for (var i = place + 1; i < roles.Count; i++)
        {
            if (chosen[i] is not null)
            {
                return i;
            }
        }

        return null;
    }

    private Coat CoatOf(RoleCoat role, Option option, int place)
    {
        var coat = Coat.Usual(option.Way.Technique, option.Material);

        // Of all-over washes the school says how much at a time.
        var twice = option.Way.Technique == Technique.Wash && schools.Wash == WashSchool.TwoThin && role is { Passes: null, PaintFraction: null };
        var fraction = role.PaintFraction ?? (twice ? ThinWash : option.Way.PaintFraction);
        return coat with
        {
            Id = IdOf(place),
            Passes = role.Passes ?? (twice ? 2 : option.Way.Passes),
            Hand = role.Hand,
            Dilution = fraction is { } share && option.Way.Technique.Facts().Thins ? Dilution.Of(share) : option.Way.Technique == Technique.VarnishSpray ? Dilution.Neat : coat.Dilution,
            Thinner = option.Way.Medium ? Thinner.AcrylicMedium : coat.Thinner,
            Marks = role.Marks,
            Fade = role.Fade,
            WhileWet = role.WhileWet,
            Note = role.Note,
        };
    }

    private static Guid IdOf(int place) => new(0, 0, 0, 0, 0, 0, 0, 0, 0, 1, (byte)(place + 1));

    private Coat Covering(Coat coat, RoleCoat role, List<Coat> below) =>
        role.Passes is null && role.Role == SchemeRole.Base && coat.How.Covers
            ? coat with { Passes = Math.Clamp(ColourHelp.PassesToCover(new StackDraft(zone, schools, [.. below, coat]), below.Count, ReliefHeight.Face), 1, MostPasses) }
            : coat;

    // What changes nothing that anyone sees is not painted; grounds and what is there for its sheen are.
    private void LeaveOutUnseen()
    {
        for (var again = true; again;)
        {
            again = false;
            var strata = Predictor.PredictMiddle(Draft()).Strata;
            for (var i = 0; i < roles.Count && !again; i++)
            {
                if (roles[i].By is null && Shows.Contains(roles[i].Role) && chosen[i] is not null && strata.FirstOrDefault(s => s.CoatId == IdOf(i)) is { } laid && laid.LargestStep < UnseenStep)
                {
                    (chosen[i], unseen[i], again) = (null, true, true);
                }
            }
        }
    }

    private FilledScheme Told()
    {
        LeaveOutUnseen();
        var (_, draft, look) = Judge();
        var said = look.Select(c => c.ToLab());
        var laid = draft.Coats.ToDictionary(c => c.Id.ToByteArray()[15] - 1);
        var told = roles.Select((r, i) => unseen[i] ? FillWords.Unseen(r) : FillWords.Tell(r, laid.GetValueOrDefault(i), chosen[i]?.Bought == true, chosen[i]?.Swatch <= SameSwatch, shelf, tools)).ToList();
        return new(scheme, draft, told, look, new(
            ColourDifference.Ciede2000(wanted.Recess, said.Recess), ColourDifference.Ciede2000(wanted.Face, said.Face), ColourDifference.Ciede2000(wanted.Edge, said.Edge)));
    }
}
