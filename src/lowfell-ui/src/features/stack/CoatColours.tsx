import type { HeightColour, Stratum } from "../../api/types";
import { number } from "../../api/words";

/** What this coat leaves at the three heights, and how far a hand moves it. */
export function CoatColours({ stratum }: { stratum: Stratum }) {
  const rows: [string, HeightColour][] = [
    ["Recess", stratum.recess],
    ["Face", stratum.face],
    ["Edge", stratum.edge],
  ];
  const target = rows.some(([, c]) => c.deTarget != null);
  return (
    <table className="w-full text-sm" data-testid="coat-colours">
      <thead className="text-xs text-soft">
        <tr>
          <th className="pb-1 text-left font-normal">After this coat</th>
          <th className="pb-1 text-left font-normal">light … heavy</th>
          <th className="pb-1 pl-2 text-right font-normal" title="dE00 to the stratum below">
            step
          </th>
          {target && (
            <th className="pb-1 pl-2 text-right font-normal" title="dE00 to what is wanted there">
              target
            </th>
          )}
          <th className="pb-1 pl-2 text-right font-normal">film</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([label, c]) => (
          <tr key={label}>
            <th className="py-0.5 text-left font-normal">{label}</th>
            <td className="py-0.5">
              <span
                className="inline-flex rounded bg-swatch p-1"
                title={`${c.hex}, L ${c.lab[0]} a ${c.lab[1]} b ${c.lab[2]}; light ${c.light}, heavy ${c.heavy}`}
              >
                <span className="h-5 w-4" style={{ background: c.light }} />
                <span className="h-5 w-7" style={{ background: c.hex }} />
                <span className="h-5 w-4" style={{ background: c.heavy }} />
              </span>
            </td>
            <td className="py-0.5 pl-2 text-right">{number(c.deBelow)}</td>
            {target && (
              <td className="py-0.5 pl-2 text-right">
                {c.deTarget === undefined || c.deTarget === null ? "" : number(c.deTarget)}
              </td>
            )}
            <td className="py-0.5 pl-2 text-right whitespace-nowrap">{number(c.filmUm)} µm</td>
          </tr>
        ))}
        {stratum.mark && (
          <tr>
            <th className="py-0.5 text-left font-normal">Each mark</th>
            <td className="py-0.5" colSpan={4}>
              <span className="inline-flex rounded bg-swatch p-1">
                <span className="h-5 w-15" style={{ background: stratum.mark }} title={stratum.mark} />
              </span>
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
