import type { BoardView } from "../../api/types";
import { length } from "../../api/units";
import { lineName, rowOf, sizeOf } from "./place";

interface Props {
  view: BoardView;
  board: BoardView["board"];
  copyId: string;
}

/** The front of a copy, its lines as they are drawn on it, wandering between their joins. */
export function Elevation({ view, board, copyId }: Props) {
  const copy = view.answer.copies.find((c) => c.id === copyId);
  const piece = view.pieces.find((p) => p.id === copy?.pieceId);
  if (!copy || !piece || copy.levels.length === 0) return null;
  const size = sizeOf(board, piece);
  const text = Math.max(3, size.lengthMm / 42);
  const side = text * 7;
  return (
    <figure className="rounded-lg border border-line bg-panel p-3">
      <figcaption className="text-sm">
        <strong className="font-semibold">{copy.name}</strong>{" "}
        <span className="text-soft">from its front, its own foot below; measure up from that</span>
      </figcaption>
      <Row view={view} board={board} copyId={copyId} />
      <svg
        role="img"
        aria-label={`${copy.name}: ${copy.levels
          .map(
            (l) => `${lineName(board, l.datumId)} ${length(l.points[0]!.markMm)} to ${length(l.points.at(-1)!.markMm)}`,
          )
          .join("; ")}`}
        className="mt-2 max-h-52 w-full"
        viewBox={`${-side} ${-size.heightMm - 2} ${size.lengthMm + 2 * side} ${size.heightMm + 4}`}
      >
        <rect
          x={0}
          y={-size.heightMm}
          width={size.lengthMm}
          height={size.heightMm}
          fill={piece.colour ?? "none"}
          className="stroke-strong"
          strokeWidth={text / 10}
        />
        {copy.levels.map((l) => {
          const ends = [l.points[0]!, l.points.at(-1)!];
          const within = (mm: number) => Math.min(size.heightMm, Math.max(0, mm));
          if (l.state !== "over") return null;
          return (
            <g key={l.datumId}>
              <polyline
                points={l.line.map((h, i) => `${(size.lengthMm * i) / (l.line.length - 1)},${-within(h)}`).join(" ")}
                fill="none"
                className="stroke-panel"
                strokeWidth={text / 2.5}
              />
              <polyline
                points={l.line.map((h, i) => `${(size.lengthMm * i) / (l.line.length - 1)},${-within(h)}`).join(" ")}
                fill="none"
                className="stroke-ink"
                strokeWidth={text / 5}
              />
              {ends.map(
                (p, i) =>
                  p.markMm >= 0 &&
                  p.markMm <= size.heightMm && (
                    <text
                      key={i}
                      x={i === 0 ? -text / 2 : size.lengthMm + text / 2}
                      y={-p.heightMm + text / 3}
                      fontSize={text}
                      textAnchor={i === 0 ? "end" : "start"}
                      className="fill-ink"
                    >
                      {i === 1 ? length(p.markMm) : `${lineName(board, l.datumId).slice(0, 6)} ${length(p.markMm)}`}
                    </text>
                  ),
              )}
            </g>
          );
        })}
      </svg>
    </figure>
  );
}

/** All that stand end to end with a copy, each as high and as tilted as it stands: a level line runs straight through them. */
function Row({ view, board, copyId }: Props) {
  const row = rowOf(view, copyId);
  if (row.length < 2) return null;
  let x = 0;
  const placed = row.map((id) => {
    const copy = view.answer.copies.find((c) => c.id === id)!;
    const standing = board.copies.find((c) => c.id === id);
    const piece = view.pieces.find((p) => p.id === copy.pieceId)!;
    const at = x;
    const tilt = standing?.tiltDeg ?? 0;
    x += sizeOf(board, piece).lengthMm * Math.cos((tilt * Math.PI) / 180);
    return { copy, piece, tilt, at, ...sizeOf(board, piece) };
  });
  const high = Math.max(
    ...placed.map((p) => p.copy.footMm + p.heightMm + Math.abs(p.lengthMm * Math.sin((p.tilt * Math.PI) / 180))),
  );
  const low = Math.min(0, ...placed.map((p) => p.copy.footMm));
  const thin = x / 900;
  return (
    <svg
      aria-hidden
      data-testid="row"
      className="mt-2 max-h-32 w-full"
      viewBox={`${-thin * 2} ${-high - thin * 2} ${x + thin * 4} ${high - low + thin * 4}`}
    >
      <line x1={0} x2={x} y1={0} y2={0} className="stroke-soft" strokeWidth={thin} strokeDasharray={`${thin * 4}`} />
      {placed.map((p) => (
        <g key={p.copy.id} transform={`translate(${p.at} ${-p.copy.footMm}) rotate(${-p.tilt})`}>
          <rect
            y={-p.heightMm}
            width={p.lengthMm}
            height={p.heightMm}
            fill={p.piece.colour ?? "none"}
            className={p.copy.id === copyId ? "stroke-accent" : "stroke-strong"}
            strokeWidth={p.copy.id === copyId ? thin * 3 : thin}
          />
          {p.copy.levels
            .filter((l) => l.state === "over")
            .map((l) => (
              <polyline
                key={l.datumId}
                points={l.line
                  .map((h, i) => `${(p.lengthMm * i) / (l.line.length - 1)},${-Math.min(p.heightMm, Math.max(0, h))}`)
                  .join(" ")}
                fill="none"
                className="stroke-ink"
                strokeWidth={thin * 1.6}
              />
            ))}
        </g>
      ))}
    </svg>
  );
}
