import { length } from "../../api/units";
import type { PlannedStep } from "../../api/types";
import { number } from "../../api/words";
import { usePlaces } from "../../craft/usePlaces";

/** For bases: what this step lays on each copy, and where; numbered as on the sheet at true size. */
export function WhatGoesWhere({ step }: { step: PlannedStep }) {
  const some = usePlaces(step);
  if (some.length === 0) return null;
  return (
    <details className="mt-2 border-t border-line pt-2" data-testid="placement">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">What goes where on {some.length} of them</summary>
      <p className="pb-2">
        <a className="underline" href={`/api/trays/${some[0]!.trayId}/sheet.svg`} target="_blank" rel="noreferrer">
          The sheet at true size
        </a>
        : x to the right, y to the rear, from the middle.
      </p>
      {some.map((c) => (
        <div key={c.copy} className="pb-2">
          <p className="font-semibold">
            {c.copy} <span className="font-normal text-soft">{c.word}</span>
          </p>
          <ul className="grid gap-x-4 sm:grid-cols-2">
            {c.lines.map((l) => (
              <li key={l.no} className="tabular-nums">
                {l.no} {l.element} <span className="text-soft">{l.insteadOf && `instead of ${l.insteadOf}, `}</span>
                {length(l.x)}, {length(l.y)}, {number(l.angleDeg, 0)}°
              </li>
            ))}
          </ul>
        </div>
      ))}
    </details>
  );
}
