namespace Lowfell.Core.Colour;

/// <summary>
/// The Newton system of a smooth spectrum: 36 unknowns, each tied to its neighbours by -2, with a border of three constraints.
/// Eliminating along the band costs a hundredth of a dense solve.
/// </summary>
internal readonly ref struct BorderedSystem
{
    private const int Bands = CieTables.Bands;
    private const double Tie = -2;

    /// <summary>Doubles of room that a system needs.</summary>
    public const int Size = Bands + Bands + (3 * Bands) + 3;

    public BorderedSystem(Span<double> room)
    {
        Diagonal = room[..Bands];
        Rhs = room.Slice(Bands, Bands);
        Border = room.Slice(2 * Bands, 3 * Bands);
        CornerRhs = room.Slice(5 * Bands, 3);
    }

    /// <summary>Diagonal, 36.</summary>
    public Span<double> Diagonal { get; }

    /// <summary>Right-hand side, 36; the solution after <see cref="Solve"/>.</summary>
    public Span<double> Rhs { get; }

    /// <summary>Border, 36 rows of 3; the border below is its transpose.</summary>
    public Span<double> Border { get; }

    /// <summary>Right-hand side of the constraints, 3; the multipliers after <see cref="Solve"/>.</summary>
    public Span<double> CornerRhs { get; }

    /// <summary>Solves in place.</summary>
    public void Solve()
    {
        const int Last = Bands - 1;
        Span<double> below = stackalloc double[3 * Bands];
        Border.CopyTo(below);

        // What is left at the end: the last band and the three constraints, with pivoting, as the band alone is singular.
        Span<double> corner = stackalloc double[4 * 5];
        corner.Clear();
        for (var i = 0; i < Last; i++)
        {
            var pivot = Diagonal[i];
            if (Math.Abs(pivot) < 1e-9)
            {
                pivot = Diagonal[i] = 1e-9;
            }

            var down = Tie / pivot;
            Diagonal[i + 1] -= down * Tie;
            Rhs[i + 1] -= down * Rhs[i];
            for (var k = 0; k < 3; k++)
            {
                Border[((i + 1) * 3) + k] -= down * Border[(i * 3) + k];
            }

            for (var row = 0; row < 3; row++)
            {
                var factor = below[(i * 3) + row] / pivot;
                below[((i + 1) * 3) + row] -= factor * Tie;
                CornerRhs[row] -= factor * Rhs[i];
                for (var k = 0; k < 3; k++)
                {
                    corner[((row + 1) * 5) + 1 + k] -= factor * Border[(i * 3) + k];
                }
            }
        }

        corner[0] = Diagonal[Last];
        corner[4] = Rhs[Last];
        for (var k = 0; k < 3; k++)
        {
            corner[1 + k] = Border[(Last * 3) + k];
            corner[(k + 1) * 5] = below[(Last * 3) + k];
            corner[((k + 1) * 5) + 4] = CornerRhs[k];
        }

        Gauss.SolveInPlace(corner, 4);
        Rhs[Last] = corner[4];
        for (var k = 0; k < 3; k++)
        {
            CornerRhs[k] = corner[((k + 1) * 5) + 4];
        }

        for (var i = Last - 1; i >= 0; i--)
        {
            var value = Rhs[i] - (Tie * Rhs[i + 1]);
            for (var k = 0; k < 3; k++)
            {
                value -= Border[(i * 3) + k] * CornerRhs[k];
            }

            Rhs[i] = value / Diagonal[i];
        }
    }
}
