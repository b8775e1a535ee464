import type { Amounts } from "../../api/types";
import { millilitres, money } from "../../api/units";
import { duration } from "../../api/words";

/** What is open comes to, in a line: mix, hours, money. */
export function Takes({ amounts: a }: { amounts: Amounts }) {
  if (a.coats.length === 0) return null;
  return (
    <div className="pb-3 text-sm" data-testid="takes">
      <p>
        <strong>{millilitres(a.totalMl)}</strong> of mix for what is still to be painted, {duration(a.minutes)} at work
        {a.setUpMin >= 1 && ` and ${duration(a.setUpMin)} of setting up`}
        {a.cost > 0 && (
          <>
            , paint for <strong>{money(a.cost)}</strong>
            {a.unpriced > 0 && (
              <span className="text-soft">
                {" "}
                and {a.unpriced} {a.unpriced === 1 ? "material" : "materials"} without a price
              </span>
            )}
          </>
        )}
        .
      </p>
      {a.later.length > 0 && (
        <p className="text-risk">
          Not counted, as they are not begun within the weeks planned ahead: {a.later.slice(0, 4).join(", ")}
          {a.later.length > 4 && ` and ${a.later.length - 4} more`}.
        </p>
      )}
    </div>
  );
}

/** The same by piece, and what one copy costs. */
export function ByPiece({ amounts }: { amounts: Amounts }) {
  if (amounts.pieces.length === 0) return null;
  const priced = amounts.cost > 0;
  return (
    <section aria-label="By piece" className="rounded-lg border border-line bg-panel" data-testid="by-piece">
      <h2 className="border-b border-line px-3 py-2 font-semibold">What each piece takes</h2>
      <table className="w-full text-sm">
        <thead className="text-xs text-soft">
          <tr>
            <th className="py-1 pl-3 text-left font-semibold">Piece</th>
            <th className="text-right font-semibold">mix</th>
            <th className="pr-3 text-right font-semibold">at work</th>
            {priced && <th className="text-right font-semibold">paint</th>}
            {priced && <th className="pr-3 text-right font-semibold">a copy</th>}
          </tr>
        </thead>
        <tbody>
          {amounts.pieces.map((p) => (
            <tr key={p.pieceId} className="border-t border-line">
              <td className="py-1 pl-3">
                {p.piece} <span className="text-soft">× {p.copies}</span>
              </td>
              <td className="text-right whitespace-nowrap">{millilitres(p.totalMl)}</td>
              <td className="pr-3 text-right whitespace-nowrap">{duration(p.minutes)}</td>
              {priced && <td className="text-right whitespace-nowrap">{money(p.cost)}</td>}
              {priced && <td className="pr-3 text-right whitespace-nowrap">{money(p.copyCost)}</td>}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
