import { Link } from "react-router";
import type { CopyCost, PlanFinding } from "../../api/types";
import { duration } from "../../api/words";
import { SeverityMark } from "../../ui";
import { ranges } from "../../craft/ranges";
import { day } from "./when";

/** What the times of the plan do to coats: windows that are missed, coats that come too soon. */
export function PlanFindings({ findings }: { findings: PlanFinding[] }) {
  if (findings.length === 0) return null;
  return (
    <section aria-label="Findings of the plan" className="rounded-lg border border-line bg-panel p-3 text-sm">
      <h2 className="mb-1 font-semibold">What the times do</h2>
      <ul>
        {findings.map((f) => (
          <li key={`${f.rule} ${f.coatId} ${f.zoneId} ${f.copies[0]}`} className="border-t border-line py-1.5">
            <p className="flex gap-2">
              <SeverityMark severity={f.severity} />
              <span>
                <span className="font-semibold">{f.what}</span>
                <span className="block text-soft">{f.why}</span>
                <span className="block">{f.remedy}</span>
                <span className="block text-xs text-soft" title={f.figure}>
                  <Link className="underline" to={`/zone/${f.zoneId}`}>
                    {f.piece}, {f.zone}
                  </Link>{" "}
                  {ranges(f.copies)}, {day(f.at.slice(0, 10))}; {f.figure}
                </span>
              </span>
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What one copy takes, and from how many on it pays to do them together. */
export function CopyCosts({ costs }: { costs: CopyCost[] }) {
  if (costs.length === 0) return null;
  return (
    <section aria-label="Per copy" className="rounded-lg border border-line bg-panel p-3 text-sm" data-testid="copies">
      <h2 className="mb-1 font-semibold">Per copy</h2>
      <table className="w-full">
        <thead className="text-xs text-soft">
          <tr>
            <th className="text-left font-normal">piece</th>
            <th className="pl-3 text-right font-normal">work</th>
            <th className="pl-3 text-right font-normal">waits</th>
            <th className="pl-3 text-right font-normal" title="So many copies keep the hands busy through every wait">
              fills the waits
            </th>
            <th className="pl-3 text-right font-normal" title="More than these do not fit one palette before it dries">
              one palette
            </th>
          </tr>
        </thead>
        <tbody>
          {costs.map((c) => (
            <tr key={c.pieceId} className="border-t border-line">
              <td className="py-1">
                {c.piece} <span className="text-soft">× {c.copies}</span>
              </td>
              <td className="pl-3 text-right whitespace-nowrap">{duration(c.minutes)}</td>
              <td className="pl-3 text-right whitespace-nowrap">{c.waitMin < 1 ? "none" : duration(c.waitMin)}</td>
              <td className="pl-3 text-right">{c.breakEven}</td>
              <td className="pl-3 text-right">{c.paletteMost ?? "any"}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
