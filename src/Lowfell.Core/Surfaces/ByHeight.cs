namespace Lowfell.Core.Surfaces;

/// <summary>One value for recess, face and edge.</summary>
/// <param name="Recess">In the recess.</param>
/// <param name="Face">On the face.</param>
/// <param name="Edge">On the raised edge.</param>
public readonly record struct ByHeight<T>(T Recess, T Face, T Edge)
{
    /// <summary>The value at a height, 0 to 2.</summary>
    public T this[int height] => height switch { 0 => Recess, 1 => Face, _ => Edge };

    /// <summary>Another value for each.</summary>
    public ByHeight<TOther> Select<TOther>(Func<T, TOther> of) => new(of(Recess), of(Face), of(Edge));
}
