import { stepKey } from "../../api/step";
import type { Plan, PlannedStep, ZoneProgress } from "../../api/types";
import type { BenchAction } from "./queue";

/** Actions that an answer asked for at a moment can't know of: those that wait, and those taken since. */
export const unknownTo = (
  asked: number,
  pending: readonly BenchAction[],
  recent: readonly { action: BenchAction; at: number }[],
): BenchAction[] => [...recent.filter((r) => r.at >= asked).map((r) => r.action), ...pending];

/** What actions say of copies, the last one counting: done or left out, or open again. */
export function closed(actions: readonly BenchAction[]): Map<string, "d" | "s" | "."> {
  const state = new Map<string, "d" | "s" | ".">();
  for (const a of actions) {
    const letter = a.kind === "done" ? "d" : a.kind === "skipped" ? "s" : a.kind === "takenBack" ? "." : undefined;
    if (letter) for (const copy of a.copies) state.set(`${stepKey(a)} ${copy}`, letter);
  }
  return state;
}

/** Steps that are still to be done; those put off stand at the end of what is for now. */
export function openSteps(plan: Plan, actions: readonly BenchAction[], putOff: string[]): PlannedStep[] {
  const state = closed(actions);
  return plan.calendar
    .flatMap((e) => e.steps)
    .map((s) => ({ ...s, copies: s.copies.filter((c) => (state.get(`${stepKey(s)} ${c}`) ?? ".") === ".") }))
    .filter((s) => s.copies.length > 0 && !putOff.includes(stepKey(s)));
}

/** The copies of a zone by letters, with what the host has not heard yet. */
export function copiesNow(progress: ZoneProgress, actions: readonly BenchAction[]): string[] {
  const state = closed(actions);
  return progress.copies.map((letters, i) =>
    [...letters]
      .map((letter, at) => {
        const s = progress.steps[at]!;
        return state.get(`${stepKey({ zoneId: progress.zoneId, ...s })} ${i + 1}`) ?? letter;
      })
      .join(""),
  );
}
