import { useQuery } from "@tanstack/react-query";
import { queries } from "../../api/queries";
import type { PlannedStep } from "../../api/types";
import { length } from "../../api/units";
import { markSideWord, number } from "../../api/words";

/** Where the marks of this coat lie on the copies at hand, by the weathering plan. */
export function MarksHere({ step }: { step: PlannedStep }) {
  const marks = useQuery({
    ...queries.coatMarks(step.zoneId, step.coatId ?? ""),
    enabled: Boolean(step.technique && step.coatId),
  });
  const copies = marks.data?.filter((c) => step.copies.includes(c.copy)) ?? [];
  if (copies.length === 0) return null;
  return (
    <details className="mt-2 border-t border-line pt-2" data-testid="marks-here">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">Where these marks lie</summary>
      <ul className="flex flex-col gap-2 pb-2">
        {copies.map((c) => (
          <li key={c.copy} className="tabular-nums">
            <strong className="font-semibold">{c.copy}</strong>{" "}
            {c.marks.length === 0
              ? `${c.count} by sponge or flick`
              : c.count === 0
                ? strips(c.marks)
                : c.marks
                    .map(
                      (m, i) =>
                        `${c.first + i}: ${markSideWord[m.side]} ${length(m.xMm)}, ${length(m.yMm)} up, ${number(m.widthMm, 1)} x ${number(m.lengthMm, 0)}`,
                    )
                    .join("; ")}
          </li>
        ))}
      </ul>
    </details>
  );
}

type Placed = { side: keyof typeof markSideWord; yMm: number; lengthMm: number };

/** A strip from and to, as high on each side. */
function strips(marks: Placed[]) {
  const m = marks.find((x) => x.side !== "top");
  return m
    ? `from ${length(m.yMm - m.lengthMm / 2)} to ${length(m.yMm + m.lengthMm / 2)} above the foot, all round`
    : "down the middle";
}
