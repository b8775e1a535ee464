using Lowfell.Core.Bases.Plane;

namespace Lowfell.Core.Bases.Forms;

/// <summary>A form with what stands on it: what a layout has to keep clear of.</summary>
public sealed class Seat
{
    /// <summary>Share of the top face that landings may take: more leaves no room for a third of calm ground.</summary>
    private const double MostLanding = 0.6;

    /// <summary>Makes one.</summary>
    public Seat(BaseForm form, Figure figure)
    {
        (Form, Figure) = (form, figure);
        (Landings, Free) = ([.. figure.Landings()], [.. figure.FreeHeights()]);
        Hull = Landings.Length == 0 ? [] : Outlines.Hull(Landings.SelectMany(l => l.Outline));
    }

    /// <summary>The form.</summary>
    public BaseForm Form { get; }

    /// <summary>The figure.</summary>
    public Figure Figure { get; }

    /// <summary>Where it stands.</summary>
    public Landing[] Landings { get; }

    /// <summary>What hangs over the ground.</summary>
    public FreeHeight[] Free { get; }

    /// <summary>Round all landings; empty where nothing stands.</summary>
    public Point[] Hull { get; }

    /// <summary>What can't be, and what would make it possible; null where it fits.</summary>
    public string? Fault()
    {
        if (Form.Radius < 3)
        {
            return FormattableString.Invariant($"A {Form.Word} base with a bevel of {Form.BevelMm:0.#} mm has no top face to speak of ({2 * Form.A:0.#} x {2 * Form.B:0.#} mm). Take a larger base or a smaller bevel.");
        }

        foreach (var landing in Landings)
        {
            var (x, y) = (landing.Outline.Max(v => v.X) - landing.Outline.Min(v => v.X), landing.Outline.Max(v => v.Y) - landing.Outline.Min(v => v.Y));
            if (Math.Min(x, y) > 2 * Form.Radius)
            {
                return FormattableString.Invariant($"The {landing.Name} ({x:0.#} x {y:0.#} mm) is larger than the top of the {Form.Word} base ({2 * Form.A:0.#} x {2 * Form.B:0.#} mm). Take a larger base or a smaller landing.");
            }
        }

        foreach (var landing in Landings)
        {
            var off = -landing.Outline.Min(v => Form.Within(v.X, v.Y));
            if (off > 0.005)
            {
                return FormattableString.Invariant($"The {landing.Name} stands {off:0.0} mm off the {Form.Word} base. Move it inward by {off:0.0} mm, or take a larger base.");
            }
        }

        var taken = Landings.Sum(l => Outlines.Area(l.Outline)) / Form.TopMm2;
        return taken > MostLanding
            ? FormattableString.Invariant($"The landings take {100 * taken:0} % of the {Form.Word} base; at most {100 * MostLanding:0} % leaves room for a third of calm ground.")
            : null;
    }
}
