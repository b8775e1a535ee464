using Lowfell.Core.Sight;
using Lowfell.Core.Boards;
using Lowfell.Core.Bases.Elements;
using Lowfell.Core.Bases.Forms;
using Lowfell.Core.Bases.Layouts;
using Lowfell.Core.Bases.Making;
using Lowfell.Core.Evenings.Facts;
using Lowfell.Core.Evenings.Solving;
using Lowfell.Core.Films;
using Lowfell.Core.Finishing;
using Lowfell.Core.Colour;
using Lowfell.Core.Materials;
using Lowfell.Core.Meshes.StandIns;
using Lowfell.Core.Mixes;
using Lowfell.Core.Ready;
using Lowfell.Core.Rules;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Weathering;
using Lowfell.Core.Wording;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Lowfell.Web.Features.Craft;

/// <summary>A technique, as the screens ask of it.</summary>
/// <param name="Technique">Technique.</param>
/// <param name="Word">In a sentence.</param>
/// <param name="Label">On its own.</param>
/// <param name="Group">Where it stands in lists.</param>
/// <param name="Tool">Usual tool.</param>
/// <param name="NeedsMaterial">Whether something is laid on.</param>
/// <param name="Thins">Whether what is laid on is thinned.</param>
/// <param name="Covers">Whether it covers: of a primer it primes.</param>
/// <param name="ByMarks">Whether it is told by number and size of marks.</param>
/// <param name="Suits">Families that it is usually laid of, the most usual first.</param>
/// <param name="Takes">Families that it can be laid of.</param>
/// <param name="Usual">Paint fraction that it usually takes of acrylic paint.</param>
/// <param name="UsualOf">Of families of which it takes another.</param>
public sealed record TechniqueView(
    Technique Technique, string Word, string Label, string Group, string Tool, bool NeedsMaterial, bool Thins, bool Covers, bool ByMarks, IReadOnlyList<Family> Suits, IReadOnlyList<Family> Takes, double Usual, IReadOnlyDictionary<Family, double> UsualOf);

/// <summary>A family, as the screens ask of it.</summary>
/// <param name="Family">Family.</param>
/// <param name="Word">In a sentence.</param>
/// <param name="Label">On its own.</param>
/// <param name="Thinners">What it takes, its own first.</param>
/// <param name="Clear">Leaves no colour.</param>
/// <param name="LabelColour">What is drawn as its label; none where it needs a colour.</param>
/// <param name="InCan">Comes in a can.</param>
/// <param name="Primes">Primes.</param>
/// <param name="Proposed">The technique that it proposes.</param>
/// <param name="Readying">What is done before it is used.</param>
public sealed record FamilyView(
    Family Family, string Word, string Label, IReadOnlyList<Thinner> Thinners, bool Clear, string? LabelColour, bool InCan, bool Primes, Technique Proposed, IReadOnlyList<string> Readying);

/// <summary>A substrate.</summary>
/// <param name="Substrate">Substrate.</param>
/// <param name="Word">Its word.</param>
public sealed record SubstrateView(Substrate Substrate, string Word);

/// <summary>A word for how well a paint covers.</summary>
/// <param name="Cover">The word.</param>
/// <param name="Word">As painters say it.</param>
/// <param name="ContrastRatio">The contrast ratio that it stands for, at 20 um dry.</param>
public sealed record CoverView(CoverWord Cover, string Word, double ContrastRatio);

/// <summary>A way to see colours.</summary>
/// <param name="Vision">Which.</param>
/// <param name="Word">In words.</param>
/// <param name="Matrix">On linear red, green and blue, by rows.</param>
public sealed record VisionView(Vision Vision, string Word, IReadOnlyList<double> Matrix);

/// <summary>A difference of colour in a word.</summary>
/// <param name="UpTo">It is called so up to this, dE00.</param>
/// <param name="Word">The word: "the same ..." for what is as good as the same, else how far off.</param>
/// <param name="Unlike">It is more than the same.</param>
public sealed record DifferenceWordView(double UpTo, string Word, bool Unlike);

/// <summary>A setting that pieces and bases stand in.</summary>
/// <param name="Setting">Which.</param>
/// <param name="Word">Its word.</param>
/// <param name="Colour">The colour of its ground.</param>
public sealed record GroundSettingView(GroundSetting Setting, string Word, string Colour);

/// <summary>A thinner.</summary>
/// <param name="Thinner">Thinner.</param>
/// <param name="Word">Its word.</param>
public sealed record ThinnerWord(Thinner Thinner, string Word);

/// <summary>A sheen.</summary>
/// <param name="Sheen">Sheen.</param>
/// <param name="Word">Its word.</param>
public sealed record SheenView(Sheen Sheen, string Word);

/// <summary>A rule of the book.</summary>
/// <param name="Rule">Its id.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Severities">How bad its findings can be.</param>
/// <param name="Scope">Where it looks.</param>
/// <param name="Schools">Preferences that it follows.</param>
/// <param name="About">When it speaks.</param>
public sealed record RuleView(string Rule, string Title, IReadOnlyList<Severity> Severities, Scope Scope, IReadOnlyList<string> Schools, string About);

/// <summary>The facts of the craft that the screens show: what is in a table of the model stands in no screen.</summary>
/// <param name="Techniques">Techniques in the order of their lists.</param>
/// <param name="Families">Families.</param>
/// <param name="Substrates">Substrates.</param>
/// <param name="Thinners">Thinners.</param>
/// <param name="Sheens">Sheens.</param>
/// <param name="Schools">Questions on which good painters disagree.</param>
/// <param name="Rules">The rule book.</param>
/// <param name="Covers">How well paints cover, in words.</param>
/// <param name="Visions">How other eyes see colours.</param>
/// <param name="Glossary">Terms of the craft and of science, explained.</param>
/// <param name="Prime">What a covering coat of a primer is called.</param>
/// <param name="Differences">Differences of colour in words, the smallest first.</param>
/// <param name="Grounds">Settings with the colour of their ground.</param>
/// <param name="Words">Words of what has no table of its own, by what it is.</param>
public sealed record CraftView(
    IReadOnlyList<TechniqueView> Techniques,
    IReadOnlyList<FamilyView> Families,
    IReadOnlyList<SubstrateView> Substrates,
    IReadOnlyList<ThinnerWord> Thinners,
    IReadOnlyList<SheenView> Sheens,
    IReadOnlyList<School> Schools,
    IReadOnlyList<RuleView> Rules,
    IReadOnlyList<CoverView> Covers,
    IReadOnlyList<VisionView> Visions,
    IReadOnlyList<GlossaryTerm> Glossary,
    string Prime,
    IReadOnlyList<DifferenceWordView> Differences,
    IReadOnlyList<GroundSettingView> Grounds,
    WordsView Words);

/// <summary>What painters call what has no table of its own.</summary>
/// <param name="Relief">Reliefs.</param>
/// <param name="Facing">Facings.</param>
/// <param name="Fitting">When a zone is painted.</param>
/// <param name="PieceShape">Shapes.</param>
/// <param name="DilutionForm">Ways to say a dilution.</param>
/// <param name="Bears">How a film stands up to something.</param>
/// <param name="Wait">The least that is waited for.</param>
/// <param name="WaitKind">What a coat below must have come to.</param>
/// <param name="LogKind">What an entry of the log tells.</param>
/// <param name="WorkedWith">How a coat was worked.</param>
/// <param name="SolveStage">What a search is at.</param>
/// <param name="Stance">How figures stand on bases.</param>
/// <param name="BaseShape">Outlines of bases.</param>
/// <param name="ElementKind">What stands on bases.</param>
/// <param name="Texture">What covers their ground.</param>
/// <param name="CrackleGround">What crackle paste lies on.</param>
/// <param name="DustFrom">Ground that throws dust.</param>
/// <param name="StandInKind">What pieces are shown as.</param>
/// <param name="Lamp">Light that they are looked at under.</param>
/// <param name="SightRoom">Rooms that things are seen in.</param>
/// <param name="Eyes">Who looks.</param>
/// <param name="SightWord">How well something is seen.</param>
/// <param name="SightVerdict">From where it is seen.</param>
/// <param name="SightKind">What of a detail is looked at.</param>
/// <param name="Finish">How far a piece is taken.</param>
/// <param name="BoardSide">Side of what stands on a board.</param>
/// <param name="PartMoves">How a part moves.</param>
/// <param name="DatumKind">What a line keeps its height above.</param>
/// <param name="LevelState">How a line lies on a copy.</param>
/// <param name="MarkKind">Kinds of marks.</param>
/// <param name="MarkHost">What carries marks.</param>
/// <param name="MarkSide">Sides of a piece.</param>
/// <param name="WeatherAge">Since when something stands.</param>
/// <param name="WentThrough">What a piece went through.</param>
/// <param name="ThrownBy">What throws the ground up.</param>
/// <param name="WidthVerdict">How a width stands to life.</param>
/// <param name="LetteredBy">How letters are put on.</param>
/// <param name="Tool">What there is to paint with.</param>
/// <param name="PaintColumn">What a column of a table of paints tells.</param>
/// <param name="PaintingTimes">When somebody paints.</param>
/// <param name="Filling">Where the paint of a role comes from.</param>
/// <param name="ThingKind">Kinds of things.</param>
public sealed record WordsView(
    IReadOnlyDictionary<Relief, string> Relief,
    IReadOnlyDictionary<Facing, string> Facing,
    IReadOnlyDictionary<Fitting, string> Fitting,
    IReadOnlyDictionary<PieceShape, string> PieceShape,
    IReadOnlyDictionary<DilutionForm, string> DilutionForm,
    IReadOnlyDictionary<Bears, string> Bears,
    IReadOnlyDictionary<Wait, string> Wait,
    IReadOnlyDictionary<WaitKind, string> WaitKind,
    IReadOnlyDictionary<LogKind, string> LogKind,
    IReadOnlyDictionary<WorkedWith, string> WorkedWith,
    IReadOnlyDictionary<SolveStage, string> SolveStage,
    IReadOnlyDictionary<Stance, string> Stance,
    IReadOnlyDictionary<BaseShape, string> BaseShape,
    IReadOnlyDictionary<ElementKind, string> ElementKind,
    IReadOnlyDictionary<Texture, string> Texture,
    IReadOnlyDictionary<CrackleGround, string> CrackleGround,
    IReadOnlyDictionary<DustFrom, string> DustFrom,
    IReadOnlyDictionary<StandInKind, string> StandInKind,
    IReadOnlyDictionary<Lamp, string> Lamp,
    IReadOnlyDictionary<SightRoom, string> SightRoom,
    IReadOnlyDictionary<Eyes, string> Eyes,
    IReadOnlyDictionary<SightWord, string> SightWord,
    IReadOnlyDictionary<SightVerdict, string> SightVerdict,
    IReadOnlyDictionary<SightKind, string> SightKind,
    IReadOnlyDictionary<Finish, string> Finish,
    IReadOnlyDictionary<BoardSide, string> BoardSide,
    IReadOnlyDictionary<PartMoves, string> PartMoves,
    IReadOnlyDictionary<DatumKind, string> DatumKind,
    IReadOnlyDictionary<LevelState, string> LevelState,
    IReadOnlyDictionary<MarkKind, string> MarkKind,
    IReadOnlyDictionary<MarkHost, string> MarkHost,
    IReadOnlyDictionary<MarkSide, string> MarkSide,
    IReadOnlyDictionary<WeatherAge, string> WeatherAge,
    IReadOnlyDictionary<WentThrough, string> WentThrough,
    IReadOnlyDictionary<ThrownBy, string> ThrownBy,
    IReadOnlyDictionary<WidthVerdict, string> WidthVerdict,
    IReadOnlyDictionary<LetteredBy, string> LetteredBy,
    IReadOnlyDictionary<Tool, string> Tool,
    IReadOnlyDictionary<PaintColumn, string> PaintColumn,
    IReadOnlyDictionary<PaintingTimes, string> PaintingTimes,
    IReadOnlyDictionary<Filling, string> Filling,
    IReadOnlyDictionary<ThingKind, string> ThingKind);

/// <summary>What is known of the craft.</summary>
public static class CraftEndpoints
{
    private static readonly CraftView View = new(
        [.. Enum.GetValues<Technique>().Select(Of)],
        [.. Enum.GetValues<Family>().Select(Of)],
        [.. Enum.GetValues<Substrate>().Select(s => new SubstrateView(s, s.Facts().Word))],
        [.. Enum.GetValues<Thinner>().Select(t => new ThinnerWord(t, t.Word()))],
        [.. Enum.GetValues<Sheen>().Select(s => new SheenView(s, s.Word()))],
        SchoolBook.All,
        [.. RuleBook.Book.Select(r => new RuleView(r.Id, r.Title, r.Severities, r.Scope, r.Schools, r.About))],
        [.. Enum.GetValues<CoverWord>().Select(c => new CoverView(c, SaidAttribute.Of(typeof(CoverWord))[c.ToString()], c.ContrastRatio()))],
        [.. Enum.GetValues<Vision>().Select(v => new VisionView(v, SaidAttribute.Of(typeof(Vision))[v.ToString()], v.Matrix()))],
        Glossary.Terms,
        Priming.Label,
        [.. DifferenceWords.Amounts.Select(a => new DifferenceWordView(a.UpTo, a.Word, DifferenceWords.Unlike(a.UpTo)))],
        [.. Enum.GetValues<GroundSetting>().Select(g => new GroundSettingView(g, SaidAttribute.Of(typeof(GroundSetting))[g.ToString()], g.Colour().ToString()))],
        new(
            Said<Relief>(), Said<Facing>(), Said<Fitting>(), Said<PieceShape>(), Said<DilutionForm>(), Said<Bears>(), Said<Wait>(), Said<WaitKind>(), Said<LogKind>(), Said<WorkedWith>(), Said<SolveStage>(),
            Said<Stance>(), Said<BaseShape>(), Said<ElementKind>(), Said<Texture>(), Said<CrackleGround>(), Said<DustFrom>(), Said<StandInKind>(), Said<Lamp>(),
            Said<SightRoom>(), Said<Eyes>(), Said<SightWord>(), Said<SightVerdict>(), Said<SightKind>(), Said<Finish>(), Said<BoardSide>(), Said<PartMoves>(), Said<DatumKind>(), Said<LevelState>(),
            Said<MarkKind>(), Said<MarkHost>(), Said<MarkSide>(), Said<WeatherAge>(), Said<WentThrough>(), Said<ThrownBy>(), Said<WidthVerdict>(), Said<LetteredBy>(),
            Said<Tool>(), Said<PaintColumn>(), Said<PaintingTimes>(), Said<Filling>(), Said<ThingKind>()));

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/craft", Get).WithTags("Craft").WithSummary("Techniques, families, substrates, preferences and the rule book.");

    private static IReadOnlyDictionary<T, string> Said<T>()
        where T : struct, Enum => SaidAttribute.Of(typeof(T)).ToDictionary(w => Enum.Parse<T>(w.Key), w => w.Value);

    private static Ok<CraftView> Get() => TypedResults.Ok(View);

    private static TechniqueView Of(Technique technique)
    {
        var how = technique.Facts();
        var usual = technique.UsualFraction(Family.AcrylicPaint);
        var others = Enum.GetValues<Family>().Select(f => (Family: f, Usual: technique.UsualFraction(f))).Where(f => f.Usual != usual);
        return new(technique, how.Word, how.Label, how.Group, how.Tool, how.NeedsMaterial, how.Thins, how.Covers, how.GoesBy == GoesBy.Number, technique.Suits(), technique.Takes(), usual, others.ToDictionary(f => f.Family, f => f.Usual));
    }

    private static FamilyView Of(Family family)
    {
        var what = family.Facts();
        return new(family, what.Word, what.Label, [what.OwnThinner, .. what.OtherThinners], what.Clear, what.LabelColour, what.InCan, what.Kind == Kind.Primer, family.Proposed(), [.. Readyings.Words(what.Readying)]);
    }
}
