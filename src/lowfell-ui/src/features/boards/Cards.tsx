import type { BoardView } from "../../api/types";
import { length } from "../../api/units";
import { boardSideWord } from "../../api/words";
import { nonce } from "../../ui";
import { lineName, sizeOf } from "./place";

interface Props {
  view: BoardView;
  board: BoardView["board"];
}

/** What an A5 card laid across has room for, mm. */
const roomMm = { across: 186, up: 84 };

/** On paper: for each copy a card with its front at true size, its lines, and where to mark them; black on white. */
export function Cards({ view, board }: Props) {
  const copies = view.answer.copies.filter((c) => c.levels.length > 0);
  return (
    <div className="hidden print:block">
      <style nonce={nonce}>{"@media print { @page { size: A5 landscape; margin: 10mm } }"}</style>
      {copies.map((copy) => {
        const piece = view.pieces.find((p) => p.id === copy.pieceId)!;
        const size = sizeOf(board, piece);
        const tilt = board.copies.find((c) => c.id === copy.id)?.tiltDeg ?? 0;
        const scale = Math.min(1, roomMm.across / (size.lengthMm + 2), roomMm.up / (size.heightMm + 2));
        return (
          <section
            key={copy.id}
            className="break-after-page bg-white text-sm text-black last:break-after-auto"
            data-testid="board-card"
          >
            <p className="flex justify-between">
              <strong>
                {view.name}, {copy.name}
              </strong>
              <span>
                foot {length(copy.footMm)} above the table{tilt !== 0 && `, rises ${tilt}\u00b0 to the right`}
              </span>
            </p>
            <svg
              className="my-2 block"
              data-length={`${Math.round(size.lengthMm * scale)}mm`}
              style={{ width: `${(size.lengthMm + 2) * scale}mm`, height: `${(size.heightMm + 2) * scale}mm` }}
              viewBox={`-1 ${-size.heightMm - 1} ${size.lengthMm + 2} ${size.heightMm + 2}`}
            >
              <rect
                y={-size.heightMm}
                width={size.lengthMm}
                height={size.heightMm}
                fill="none"
                stroke="black"
                strokeWidth={0.3}
              />
              {copy.levels
                .filter((l) => l.state === "over")
                .map((l) => {
                  const within = (mm: number) => -Math.min(size.heightMm, Math.max(0, mm));
                  return (
                    <g key={l.datumId}>
                      <polyline
                        points={l.line
                          .map((h, i) => `${(size.lengthMm * i) / (l.line.length - 1)},${within(h)}`)
                          .join(" ")}
                        fill="none"
                        stroke="black"
                        strokeWidth={0.25}
                      />
                      {l.points
                        .filter((p) => p.markMm >= 0 && p.markMm <= size.heightMm)
                        .map((p) => (
                          <line
                            key={p.atMm}
                            x1={p.atMm}
                            x2={p.atMm}
                            y1={-p.markMm - 1.2}
                            y2={-p.markMm + 1.2}
                            stroke="black"
                            strokeWidth={0.25}
                          />
                        ))}
                      <text x={1} y={within(l.points[0]!.heightMm) - 1} fontSize={3}>
                        {lineName(board, l.datumId)}
                      </text>
                    </g>
                  );
                })}
            </svg>
            <p className="text-xs">
              {scale === 1 ? "The front at true size" : `The front at ${Math.round(100 * scale)} % of its size`}, seen
              from outside, the foot below; the back is the same in a mirror. Measure up from the foot:
            </p>
            <table className="mt-1 text-xs">
              <tbody>
                {copy.levels.map((l) => (
                  <tr key={l.datumId}>
                    <th scope="row" className="pr-3 text-left">
                      {lineName(board, l.datumId)}
                    </th>
                    {l.state === "over" ? (
                      l.points.map((p) => (
                        <td key={p.atMm} className="pr-3 tabular-nums">
                          {p.markMm < 0 ? "none" : length(p.markMm)} at {length(p.atMm)}
                        </td>
                      ))
                    ) : (
                      <td>{l.state === "none" ? "none on it" : "all of it is under"}</td>
                    )}
                    {l.fadesAt.length > 0 && (
                      <td>fades at its {l.fadesAt.map((s) => boardSideWord[s]).join(" and ")}</td>
                    )}
                  </tr>
                ))}
                {copy.levels
                  .flatMap((l) => l.parts.map((p) => ({ ...p, line: lineName(board, l.datumId) })))
                  .map((p) => (
                    <tr key={p.line + p.name}>
                      <th scope="row" className="pr-3 text-left">
                        {p.line}, {p.name}
                      </th>
                      <td colSpan={4}>
                        {p.allRound
                          ? `${length(p.leftMm)} all round`
                          : `${length(p.leftMm)} to ${length(p.rightMm)} at rest`}
                      </td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </section>
        );
      })}
    </div>
  );
}
