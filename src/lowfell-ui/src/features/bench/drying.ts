import type { StepId } from "../../api/step";
import { stepKey } from "../../api/step";
import type { Plan } from "../../api/types";
import { ranges } from "../../craft/ranges";
import type { Timer } from "./Timers";

/** What a timer is known by: the step and its copies, whichever browser set it. */
export const dryingId = (step: StepId, copies: number[]): string =>
  `${stepKey(step)} ${[...copies].sort((a, b) => a - b).join()}`;

/**
 * What lies drying: by the log as every browser hears of it, and what was done here and the host does not know yet. What was put away here is off.
 */
export function drying(own: Timer[], heard: Plan["drying"], away: string[], rung: string[]): Timer[] {
  const known = heard.map((d): Timer => {
    const step = { zoneId: d.zoneId, coatId: d.coatId, pass: d.pass };
    return {
      id: dryingId(step, d.copies),
      label: `${d.where} ${ranges(d.copies)}: ${d.what}`,
      dryAt: Date.parse(d.dryAt),
      key: stepKey(step),
      step,
      copies: d.copies,
    };
  });
  const covered = (t: Timer) =>
    known.some((k) => k.key === t.key && (t.copies ?? []).every((copy) => k.copies!.includes(copy)));
  return [...known, ...own.filter((t) => !covered(t))]
    .filter((t) => !away.includes(t.id))
    .map((t) => ({ ...t, rung: rung.includes(t.id) }));
}
