import { stepKey } from "../../api/step";
import type { Plan, PlannedStep } from "../../api/types";
import type { BenchAction } from "./queue";

/** When the coats below a step are ready for it, in ms; 0 where nothing is waited for. The plan tells what was written down before it was asked for, the touches since are added to that. */
export function readyAt(step: PlannedStep, plan: Plan, actions: readonly BenchAction[]): number {
  const steps = plan.calendar.flatMap((e) => e.steps);
  let ready = step.readyAt ? Date.parse(step.readyAt) : 0;
  for (const action of actions) {
    if (action.kind !== "done" || !action.at || action.zoneId !== step.zoneId || stepKey(action) === stepKey(step))
      continue;
    if (!action.copies.some((c) => step.copies.includes(c))) continue;
    const below = steps.find((s) => stepKey(s) === stepKey(action));
    if (below) ready = Math.max(ready, Date.parse(action.at) + waitMs(below));
  }
  return ready;
}

/** Until when a step has to be begun, in ms; null without a window. */
export function dueAt(step: PlannedStep, plan: Plan, actions: readonly BenchAction[]): number | null {
  const steps = plan.calendar.flatMap((e) => e.steps);
  let due = step.dueAt ? Date.parse(step.dueAt) : null;
  for (const action of actions) {
    if (action.kind !== "done" || !action.at || !action.copies.some((c) => step.copies.includes(c))) continue;
    const below = steps.find((s) => stepKey(s) === stepKey(action));
    const next = below && steps.slice(steps.indexOf(below) + 1).find((s) => precedes(below, s));
    if (!below?.nextBy || !next || stepKey(next) !== stepKey(step)) continue;
    const by = Date.parse(action.at) + Date.parse(below.nextBy) - Date.parse(below.endAt);
    due = Math.min(due ?? by, by);
  }
  return due;
}

/** The open steps with those first that can be done at once: nothing is offered on wet paint while another step is ready. A step never passes one of its own copies, nor the fitting of a part. */
export function readyFirst(
  open: PlannedStep[],
  plan: Plan,
  actions: readonly BenchAction[],
  now: number,
): PlannedStep[] {
  const fitting = open.findIndex((s) => s.technique == null);
  const free = open.filter((s, i) => (fitting < 0 || i <= fitting) && !open.slice(0, i).some((e) => precedes(e, s)));
  const moment = new Map(free.map((s) => [s, Math.max(now, readyAt(s, plan, actions))]));
  const first = free.toSorted((a, b) => moment.get(a)! - moment.get(b)!)[0];
  return first ? [first, ...open.filter((s) => s !== first)] : open;
}

const precedes = (earlier: PlannedStep, later: PlannedStep) =>
  earlier.zoneId === later.zoneId && earlier.copies.some((c) => later.copies.includes(c));

const waitMs = (step: PlannedStep) => Date.parse(step.nextFrom) - Date.parse(step.endAt);
