import type { BoardView } from "../../api/types";
import { length } from "../../api/units";
import { boardSideWord } from "../../api/words";
import { marked } from "../../craft/marked";

type Copy = BoardView["answer"]["copies"][number];

interface Props {
  view: BoardView;
  board: BoardView["board"];
  chosen: string | undefined;
  onChoose: (id: string) => void;
}

/** The height of each line on each copy, above its own foot. */
export function Heights({ view, board, chosen, onChoose }: Props) {
  const { copies, loose } = view.answer;
  const { datums } = board;
  if (datums.length === 0 || copies.length + loose.length === 0) return null;
  const row = (c: Copy, on: boolean) => (
    <tr key={c.id} className={`border-t border-line align-top ${chosen === c.id ? "bg-tint" : ""}`}>
      <th scope="row" className="py-1 pr-3 pl-3 text-left font-normal">
        {on ? (
          <button type="button" className="text-left font-semibold hover:underline" onClick={() => onChoose(c.id)}>
            {c.name}
          </button>
        ) : (
          c.name
        )}
      </th>
      <td className="py-1 pr-3 tabular-nums">{length(c.footMm)}</td>
      {datums.map((d) => {
        const level = c.levels.find((l) => l.datumId === d.id);
        return (
          <td key={d.id} className="py-1 pr-3 tabular-nums">
            {level ? marked(level) : ""}
            {level && level.fadesAt.length > 0 && (
              <span className="block text-xs text-soft">
                fades at its {level.fadesAt.map((s) => boardSideWord[s]).join(" and ")}
              </span>
            )}
            {level?.parts.map((p) => (
              <span key={p.name} className="block text-xs text-soft">
                {p.name}:{" "}
                {p.allRound ? `${length(p.leftMm)} all round` : `${length(p.leftMm)} to ${length(p.rightMm)} at rest`}
                {p.hiddenShare > 0 && `, ${Math.round(100 * p.hiddenShare)} % of it where it is hidden`}
              </span>
            ))}
          </td>
        );
      })}
    </tr>
  );
  return (
    <section aria-label="Heights" className="relative overflow-x-auto rounded-lg border border-line bg-panel">
      <table className="w-full text-sm" data-testid="heights">
        <caption className="sr-only">Heights above the own foot, to half a millimetre</caption>
        <thead className="text-left text-xs text-soft">
          <tr>
            <th className="py-1.5 pl-3 font-semibold">Copy</th>
            <th className="font-semibold">Foot above the table</th>
            {datums.map((d) => (
              <th key={d.id} className="font-semibold">
                {d.name}, above its own foot
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {copies.map((c) => row(c, true))}
          {loose.map((c) => row(c, false))}
        </tbody>
      </table>
    </section>
  );
}
