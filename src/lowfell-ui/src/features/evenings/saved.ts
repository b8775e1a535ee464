import type { PlanSummary } from "../../api/types";
import { duration, number } from "../../api/words";

/** What one way saves against another, in a line; set-ups only where both were looked at long enough to tell. */
export function saved(base: PlanSummary, way: PlanSummary, setUps = true): string {
  const parts = [
    days(base.doneOn, way.doneOn),
    change(base.evenings - way.evenings, (n) => `${n} ${n === 1 ? "evening" : "evenings"}`),
    change(Math.round(base.workMin - way.workMin), duration),
    setUps && change(base.setUps - way.setUps, (n) => `${n} ${n === 1 ? "set-up" : "set-ups"}`),
    change(base.paintMl - way.paintMl, (n) => `${number(n, 1)} ml`, 0.1),
  ].filter(Boolean);
  return parts.length === 0 ? "the same" : parts.join(", ");
}

function days(from: string | null | undefined, to: string | null | undefined): string {
  if (!from || !to) return "";
  const n = Math.round((Date.parse(from) - Date.parse(to)) / 86_400_000);
  return n === 0 ? "" : `${Math.abs(n)} ${Math.abs(n) === 1 ? "day" : "days"} ${n > 0 ? "sooner" : "later"}`;
}

const change = (less: number, say: (n: number) => string, least = 1): string =>
  Math.abs(less) < least ? "" : `${say(Math.abs(less))} ${less > 0 ? "less" : "more"}`;
