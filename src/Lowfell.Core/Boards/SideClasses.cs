namespace Lowfell.Core.Boards;

/// <summary>The class of a side: all that are of one meet at the same height, so that any of them may stand beside any.</summary>
/// <param name="PieceId">The piece.</param>
/// <param name="Side">Its side.</param>
/// <param name="Class">Name of the class.</param>
public sealed record SideClass(Guid PieceId, BoardSide Side, string Class);

/// <summary>Where any copy may stand beside any.</summary>
public static class SideClasses
{
    /// <summary>Foot height of each class, mm; what stands at two heights in one class is a fault.</summary>
    /// <param name="copies">Copies on the board.</param>
    /// <param name="feet">How they stand.</param>
    /// <param name="classes">Classes of sides.</param>
    public static (IReadOnlyDictionary<string, double> Heights, IReadOnlyList<BoardFault> Faults) Of(IReadOnlyList<PlacedCopy> copies, Feet feet, IReadOnlyList<SideClass> classes)
    {
        ArgumentNullException.ThrowIfNull(copies);
        ArgumentNullException.ThrowIfNull(feet);
        ArgumentNullException.ThrowIfNull(classes);
        var (heights, faults) = (new SortedDictionary<string, (double Foot, string Copy)>(StringComparer.Ordinal), new List<BoardFault>());
        foreach (var (number, of) in classes.Index())
        {
            foreach (var copy in copies.Where(c => c.PieceId == of.PieceId))
            {
                var foot = feet.ByCopy[copy.Id] + copy.Rise(of.Side == BoardSide.Left ? 0 : of.Side == BoardSide.Right ? copy.LengthMm : copy.LengthMm / 2);
                if (!heights.TryAdd(of.Class, (foot, copy.Name)) && heights[of.Class] is var first && Math.Abs(first.Foot - foot) > BoardTable.MissMm && faults.TrueForAll(f => f.Field != $"classes[{number}]"))
                {
                    faults.Add(new($"classes[{number}]", FormattableString.Invariant($"End {of.Class} stands at {first.Foot:0.#} on {first.Copy} and at {foot:0.#} on {copy.Name}: give them two classes.")));
                }
            }
        }

        return (heights.ToDictionary(h => h.Key, h => h.Value.Foot), faults);
    }
}
