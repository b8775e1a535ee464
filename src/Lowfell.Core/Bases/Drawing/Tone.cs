using Lowfell.Core.Colour;

namespace Lowfell.Core.Bases.Drawing;

/// <summary>A colour while it is drawn, 0..255 a channel.</summary>
internal readonly record struct Tone(float R, float G, float B)
{
    public static Tone Of(string colour)
    {
        var c = Srgb.Parse(colour);
        return new(c.R, c.G, c.B);
    }

    public static Tone operator *(Tone t, float k) => new(t.R * k, t.G * k, t.B * k);

    public Tone To(Tone other, float share) => new(R + ((other.R - R) * share), G + ((other.G - G) * share), B + ((other.B - B) * share));
}
