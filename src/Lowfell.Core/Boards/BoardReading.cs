namespace Lowfell.Core.Boards;

/// <summary>A whole board, read.</summary>
/// <param name="Joins">Sides that meet.</param>
/// <param name="Feet">How high each copy stands; none where copies stand in each other.</param>
/// <param name="Levels">The lines on each copy.</param>
/// <param name="Classes">Foot height of each class of sides, mm.</param>
/// <param name="Faults">What cannot be, or does not agree.</param>
/// <param name="Notes">What is worth knowing.</param>
public sealed record BoardReading(
    IReadOnlyList<BoardJoin> Joins, Feet? Feet, IReadOnlyDictionary<Guid, IReadOnlyList<CopyLevel>> Levels, IReadOnlyDictionary<string, double> Classes, IReadOnlyList<BoardFault> Faults, IReadOnlyList<string> Notes)
{
    /// <summary>Reads a board.</summary>
    /// <param name="copies">Copies on it.</param>
    /// <param name="joins">Sides that meet.</param>
    /// <param name="datums">Lines.</param>
    /// <param name="classes">Classes of sides.</param>
    public static BoardReading Of(IReadOnlyList<PlacedCopy> copies, IReadOnlyList<BoardJoin> joins, IReadOnlyList<Datum> datums, IReadOnlyList<SideClass> classes)
    {
        ArgumentNullException.ThrowIfNull(copies);
        ArgumentNullException.ThrowIfNull(datums);
        var wrong = Board.Faults(copies, joins);
        if (wrong.Count > 0)
        {
            // Heights of what stands in something else would be made up.
            return new(joins, null, new Dictionary<Guid, IReadOnlyList<CopyLevel>>(), new Dictionary<string, double>(), wrong, []);
        }

        var feet = Feet.Of(copies, joins);
        var (heights, conflicts) = SideClasses.Of(copies, feet, classes);
        var levels = copies.ToDictionary(c => c.Id, c => (IReadOnlyList<CopyLevel>)[.. datums.Where(d => d.On(c.PieceId)).Select(d => Boards.Levels.Of(c, feet, d))]);
        var notes = new List<string>();
        foreach (var datum in datums.Where(d => copies.Any(c => d.On(c.PieceId))))
        {
            var states = levels.Values.SelectMany(l => l).Where(l => l.DatumId == datum.Id).Select(l => l.State).ToList();
            if (states.TrueForAll(s => s == LevelState.Under))
            {
                notes.Add(FormattableString.Invariant($"No piece reaches {datum.HeightMm:0.#} mm; the line '{datum.Name}' touches none: all of them are under it."));
            }
            else if (states.TrueForAll(s => s == LevelState.None))
            {
                notes.Add(FormattableString.Invariant($"Every foot stands above {datum.HeightMm:0.#} mm; the line '{datum.Name}' touches none."));
            }
        }

        return new(joins, feet, levels, heights, [.. feet.Faults, .. conflicts], notes);
    }

    /// <summary>The lines on a copy that stands elsewhere, by the class of its left or right side; null where neither has one.</summary>
    /// <param name="copy">The copy; where it stands on the board does not count.</param>
    /// <param name="datums">Lines.</param>
    /// <param name="classes">Classes of sides.</param>
    /// <param name="faults">Takes what does not agree.</param>
    public (double FootMm, IReadOnlyList<CopyLevel> Levels)? Elsewhere(PlacedCopy copy, IReadOnlyList<Datum> datums, IReadOnlyList<SideClass> classes, ICollection<BoardFault> faults)
    {
        ArgumentNullException.ThrowIfNull(copy);
        ArgumentNullException.ThrowIfNull(datums);
        ArgumentNullException.ThrowIfNull(classes);
        ArgumentNullException.ThrowIfNull(faults);
        double? Height(BoardSide side) => classes.FirstOrDefault(c => c.PieceId == copy.PieceId && c.Side == side) is { } of && Classes.TryGetValue(of.Class, out var h) ? h : null;
        var (left, right) = (Height(BoardSide.Left), Height(BoardSide.Right) - copy.Rise(copy.LengthMm));
        if ((left ?? right) is not { } foot)
        {
            return null;
        }

        if (left is { } l && right is { } r && Math.Abs(l - r) > BoardTable.MissMm)
        {
            faults.Add(new("classes", FormattableString.Invariant($"{copy.Name} can't meet both its classes: its ends differ by {copy.Rise(copy.LengthMm):0.#} mm, the classes by {copy.Rise(copy.LengthMm) + r - l:0.#}.")));
        }

        var feet = new Feet(new Dictionary<Guid, double> { [copy.Id] = foot }, [], [], []);
        return (foot, [.. datums.Where(d => d.On(copy.PieceId)).Select(d => Boards.Levels.Of(copy, feet, d))]);
    }
}
