using System.Collections.Concurrent;
using Lowfell.Core.Colour;
using Lowfell.Core.Films;

namespace Lowfell.Core.Materials;

/// <summary>Keeps the films of materials by what they depend on, as a spectrum and its scattering cost a tenth of a millisecond.</summary>
internal static class OpticsCache
{
    private const int Limit = 4096;
    private static readonly ConcurrentDictionary<Key, FilmOptics[]> Films = new();

    public static FilmOptics[] Of(Material m, double[]? lightnessByHeight)
    {
        var key = new Key(m.Colour, m.ContrastRatio, m.ReferenceFilmUm, m.Sheen, m.UndertonePower, m.Clear, lightnessByHeight is not null);
        if (Films.TryGetValue(key, out var known))
        {
            return known;
        }

        if (Films.Count >= Limit)
        {
            Films.Clear();
        }

        var films = Build(m, lightnessByHeight);
        Films[key] = films;
        return films;
    }

    private static FilmOptics[] Build(Material m, double[]? lightnessByHeight)
    {
        if (m.Clear)
        {
            var varnish = FilmOptics.Varnish(m.Sheen);
            return [varnish, varnish, varnish];
        }

        FilmOptics From(Srgb colour) => FilmOptics.FromSwatch(colour, m.ContrastRatio, m.ReferenceFilmUm, m.Sheen, m.UndertonePower);
        if (lightnessByHeight is null)
        {
            var film = From(m.Colour);
            return [film, film, film];
        }

        var lab = m.Colour.ToLab();
        return [.. lightnessByHeight.Select(step => From((lab with { L = Math.Clamp(lab.L + step, 0, 100) }).ToLinear().ToSrgb()))];
    }

    private readonly record struct Key(
        Srgb Colour, double ContrastRatio, double ReferenceFilmUm, Sheen Sheen, double UndertonePower, bool Clear, bool Metal);
}
