using Lowfell.Web.Api;

namespace Lowfell.Web.Files;

/// <summary>Looks over a CSV file before any of it is worked on: how many rows and columns there are, by its bytes alone.</summary>
public static class CsvSize
{
    private const int BufferBytes = 64 * 1024;
    private const byte Quote = (byte)'"', NewLine = (byte)'\n';

    /// <summary>Refuses a file of too many rows, or of a row with too many cells.</summary>
    /// <param name="file">The file from where it stands; left at its end.</param>
    /// <param name="mostRows">Most rows below the header.</param>
    /// <param name="mostColumns">Most cells of a row.</param>
    /// <param name="cancel">Ends it.</param>
    /// <exception cref="RefusedException">It has more.</exception>
    public static async Task RefuseTooManyAsync(Stream file, int mostRows, int mostColumns, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(file);
        var (rows, line, quoted, empty) = (0, 1, false, true);
        var cells = new int[3];
        var parting = -1;
        var buffer = new byte[BufferBytes];
        for (var read = await file.ReadAsync(buffer, cancel); read > 0; read = await file.ReadAsync(buffer, cancel))
        {
            foreach (var b in buffer.AsSpan(0, read))
            {
                if (b == Quote)
                {
                    quoted = !quoted;
                }
                else if (b == NewLine)
                {
                    line++;
                }

                if (b == NewLine && !quoted)
                {
                    // The header tells what parts the cells; later rows may hold the other signs in their text.
                    parting = parting < 0 ? Array.IndexOf(cells, cells.Max()) : parting;
                    rows += empty ? 0 : 1;
                    empty = true;
                    cells.AsSpan().Clear();
                }
                else if (!quoted && Parting(b) is var sign and >= 0)
                {
                    empty = false;
                    if (++cells[sign] >= mostColumns && (parting < 0 || parting == sign))
                    {
                        throw new RefusedException("file", $"Take columns out: line {line} has more than {mostColumns}.");
                    }
                }
                else
                {
                    empty &= b <= ' ';
                }
            }
        }

        rows += empty ? 0 : 1;
        if (rows > mostRows + 1)
        {
            throw new RefusedException("file", $"Bring it in in parts: {rows - 1} rows are too many, {mostRows} are the most at once.");
        }
    }

    private static int Parting(byte b) => b switch { (byte)',' => 0, (byte)';' => 1, (byte)'\t' => 2, _ => -1 };
}
