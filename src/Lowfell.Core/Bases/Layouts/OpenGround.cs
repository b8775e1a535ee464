namespace Lowfell.Core.Bases.Layouts;

/// <summary>Where one element of a base may be put, as it is turned: what a hand that drags it slides along.</summary>
/// <param name="Columns">Cells across.</param>
/// <param name="Rows">Cells from front to rear.</param>
/// <param name="Cells">What stands in the way at each cell, row by row from the front left.</param>
public sealed record OpenGround(int Columns, int Rows, IReadOnlyList<Hindrance> Cells)
{
    /// <summary>Side of a cell, mm.</summary>
    public const double StepMm = 0.5;

    /// <summary>Looks at every cell of the top face.</summary>
    /// <param name="plot">The base.</param>
    /// <param name="family">Its family.</param>
    /// <param name="element">Place of the element in the list, from 0.</param>
    /// <param name="angleDeg">As it is turned, degrees.</param>
    public static OpenGround Of(Plot plot, BaseFamily family, int element, double angleDeg)
    {
        var form = plot.Seat.Form;
        var ground = Ground.Of(plot.Seat, plot.Seed, family);
        var place = new Placement(plot.Seat, ground.Terrain, family.RimMm, 0.01);
        place.Bodies.AddRange(plot.Elements.Select(e => new Body(e)));
        var body = place.Bodies[element];
        var (columns, rows) = ((int)Math.Ceiling(2 * form.A / StepMm) + 1, (int)Math.Ceiling(2 * form.B / StepMm) + 1);
        var cells = new Hindrance[columns * rows];
        for (var i = 0; i < cells.Length; i++)
        {
            body.Put(((i % columns) * StepMm) - form.A, ((i / columns) * StepMm) - form.B, angleDeg * Math.PI / 180);
            cells[i] = place.Of(body, out _);
        }

        return new(columns, rows, cells);
    }
}
