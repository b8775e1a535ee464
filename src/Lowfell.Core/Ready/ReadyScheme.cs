using System.Text.Json;
using System.Text.Json.Serialization;
using Lowfell.Core.Colour;
using Lowfell.Core.Films;
using Lowfell.Core.Materials;
using Lowfell.Core.Stacks;
using Lowfell.Core.Surfaces;
using Lowfell.Core.Techniques;
using Lowfell.Core.Wording;

namespace Lowfell.Core.Ready;

/// <summary>A coat of a scheme by what it is there for.</summary>
public sealed record RoleCoat
{
    /// <summary>What it is there for.</summary>
    public required SchemeRole Role { get; init; }

    /// <summary>How whoever wrote it does it; none for the role's usual way.</summary>
    public Technique? By { get; init; }

    /// <summary>Of which family, where the way it is done does not say so.</summary>
    public Family? Family { get; init; }

    /// <summary>Colour of the paint, #rrggbb; none for what is clear.</summary>
    [ColourBound] public string? Colour { get; init; }

    /// <summary>Sheen, of varnishes; none for that of the scheme's finish.</summary>
    public Sheen? Sheen { get; init; }

    /// <summary>Of metal flake.</summary>
    public bool Metal { get; init; }

    /// <summary>Passes; none for as many as cover.</summary>
    [PassesBound] public int? Passes { get; init; }

    /// <summary>Hand: factor on the film.</summary>
    [HandBound] public double Hand { get; init; } = 1;

    /// <summary>Paint in the mix by volume; none for the usual.</summary>
    [RolePaintBound] public double? PaintFraction { get; init; }

    /// <summary>Its marks, where they are counted.</summary>
    public Marks? Marks { get; init; }

    /// <summary>How it fades out with height.</summary>
    public Fade? Fade { get; init; }

    /// <summary>Laid while the coat below is still wet.</summary>
    public bool WhileWet { get; init; }

    /// <summary>May be left out where nothing fills it.</summary>
    public bool Optional { get; init; }

    /// <summary>Note for whoever paints it.</summary>
    [NoteBound] public string Note { get; init; } = "";
}

/// <summary>The colours that a finished zone should have, written #rrggbb.</summary>
/// <param name="Recess">In the recess.</param>
/// <param name="Face">On the face.</param>
/// <param name="Edge">On the raised edge.</param>
public sealed record WrittenLook([ColourBound] string Recess, [ColourBound] string Face, [ColourBound] string Edge)
{
    /// <summary>In CIELAB.</summary>
    public ByHeight<Lab> ToLab() => new ByHeight<string>(Recess, Face, Edge).Select(c => Srgb.Parse(c).ToLab());
}

/// <summary>A scheme told by roles: it can be painted from any shelf that fills them, and given to others.</summary>
public sealed record ReadyScheme
{
    /// <summary>What the document is.</summary>
    public const string FormatName = "lowfell-scheme";

    /// <summary>Version of the document that this program writes and reads.</summary>
    public const int CurrentVersion = 1;

    /// <summary>What the document is: always "lowfell-scheme".</summary>
    [SchemeTagBound] public string Format { get; init; } = FormatName;

    /// <summary>Version of the document.</summary>
    [SchemeVersionBound] public int Version { get; init; } = CurrentVersion;

    /// <summary>Name.</summary>
    [NameBound] public required string Name { get; init; }

    /// <summary>What it looks like, in a sentence.</summary>
    [RemarkBound] public string About { get; init; } = "";

    /// <summary>Kinds of things that it suits.</summary>
    [SuitsBound] public IReadOnlyList<ThingKind> Suits { get; init; } = [];

    /// <summary>What it was written on.</summary>
    public Substrate Substrate { get; init; }

    /// <summary>Relief that it was written for.</summary>
    public Relief Relief { get; init; } = Relief.Textured;

    /// <summary>Sheen of the finished zone.</summary>
    public Sheen Finish { get; init; } = Sheen.Matt;

    /// <summary>What the finished zone should look like.</summary>
    public required WrittenLook Look { get; init; }

    /// <summary>Its coats, from the ground up.</summary>
    [RoleCoatsBound] public required IReadOnlyList<RoleCoat> Coats { get; init; }

    /// <summary>The zone that it was written for.</summary>
    public Zone Zone() => new() { Name = Name, Substrate = Substrate, Relief = Relief, Finish = Finish };
}

/// <summary>The schemes that come with the program.</summary>
public static class ReadySchemes
{
    /// <summary>How schemes are written and read: words for members of enumerations, unknown fields refused.</summary>
    public static JsonSerializerOptions Json { get; } = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        RespectNullableAnnotations = true,
        WriteIndented = true,
    };

    /// <summary>Every one, in the order in which they are offered.</summary>
    public static IReadOnlyList<ReadyScheme> All { get; } = Read();

    private static List<ReadyScheme> Read()
    {
        using var stream = typeof(ReadySchemes).Assembly.GetManifestResourceStream("ready-schemes.json")!;
        return JsonSerializer.Deserialize<List<ReadyScheme>>(stream, Json)!;
    }
}
