namespace Lowfell.Core.Colour;

/// <summary>Gaussian elimination with partial pivoting, for the small dense systems of the colour solvers.</summary>
internal static class Gauss
{
    /// <summary>Solves an n x (n+1) augmented system stored by rows; the last column becomes the solution.</summary>
    public static void SolveInPlace(Span<double> matrix, int n)
    {
        var width = n + 1;
        for (var column = 0; column < n; column++)
        {
            var pivot = column;
            for (var row = column + 1; row < n; row++)
            {
                if (Math.Abs(matrix[(row * width) + column]) > Math.Abs(matrix[(pivot * width) + column]))
                {
                    pivot = row;
                }
            }

            if (pivot != column)
            {
                for (var k = column; k < width; k++)
                {
                    (matrix[(column * width) + k], matrix[(pivot * width) + k]) = (matrix[(pivot * width) + k], matrix[(column * width) + k]);
                }
            }

            var head = matrix[(column * width) + column];
            if (Math.Abs(head) < 1e-300)
            {
                continue;
            }

            for (var row = column + 1; row < n; row++)
            {
                var factor = matrix[(row * width) + column] / head;
                if (factor == 0)
                {
                    continue;
                }

                for (var k = column; k < width; k++)
                {
                    matrix[(row * width) + k] -= factor * matrix[(column * width) + k];
                }
            }
        }

        for (var row = n - 1; row >= 0; row--)
        {
            var value = matrix[(row * width) + n];
            for (var k = row + 1; k < n; k++)
            {
                value -= matrix[(row * width) + k] * matrix[(k * width) + n];
            }

            var head = matrix[(row * width) + row];
            matrix[(row * width) + n] = Math.Abs(head) < 1e-300 ? 0 : value / head;
        }
    }
}
