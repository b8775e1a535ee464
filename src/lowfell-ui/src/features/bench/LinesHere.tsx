import { useQuery } from "@tanstack/react-query";
import { queries } from "../../api/queries";
import type { PlannedStep } from "../../api/types";
import { marked } from "../../craft/marked";

/** At which heights lines lie on the copies at hand, where their set stands on a board. */
export function LinesHere({ step }: { step: PlannedStep }) {
  const lines = useQuery({ ...queries.lines(step.zoneId), enabled: Boolean(step.technique) });
  const copies = lines.data?.filter((c) => c.copy === 0 || step.copies.includes(c.copy)) ?? [];
  if (copies.length === 0) return null;
  return (
    <details className="mt-2 border-t border-line pt-2" data-testid="lines-here">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">Heights of lines on these copies</summary>
      <p className="pb-2 text-soft">Above the foot of each: left, middle, right.</p>
      <ul className="pb-2">
        {copies.map((c) => (
          <li key={c.copy} className="tabular-nums">
            <strong className="font-semibold">{c.copy === 0 ? "others" : c.copy}</strong>{" "}
            {c.lines.map((l) => `${l.name} ${marked(l.on)}`).join("; ")}
          </li>
        ))}
      </ul>
    </details>
  );
}
