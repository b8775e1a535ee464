import type { Cost, MendedAll, Outcome } from "../../api/types";
import { duration, number, offFigure } from "../../api/words";

const least = 0.05;

/** What a change of the stack takes or saves, as the painter counts it. */
export function costWords(cost: Cost): string {
  const parts = [
    signed(cost.waitHours * 60, (v) => `${duration(v)} of waiting`, 1),
    signed(cost.minutes, (v) => `${duration(v)} of work`, 0.5),
    signed(cost.coats, (v) => (v === 1 ? "1 coat" : `${number(v, 0)} coats`), 1),
    signed(cost.ml, (v) => `${number(v)} ml`, 0.1),
  ].filter((p) => p !== null);
  return parts.length === 0 ? "costs nothing" : parts.join(", ");
}

/** How far the finished colours move where they move most; none where nobody could measure it. */
export function movedWords(moved: MendedAll["moved"]): string | null {
  const most = (["recess", "face", "edge"] as const).reduce((a, b) => (moved[b] > moved[a] ? b : a));
  return moved[most] < least ? null : `${most} ${offFigure(moved[most])}`;
}

/** What is left of the trouble. */
export function outcomeWords({ stops, risks, notes }: Outcome): string {
  const parts = [count(stops, "stop"), count(risks, "risk"), count(notes, "note")].filter((p) => p !== null);
  return parts.length === 0 ? "nothing left" : `${parts.join(", ")} left`;
}

const count = (n: number, word: string) => (n === 0 ? null : `${n} ${word}${n === 1 ? "" : "s"}`);

const signed = (value: number, words: (value: number) => string, from: number) =>
  Math.abs(value) < from ? null : `${value < 0 ? "saves" : "+"}${value < 0 ? " " : ""}${words(Math.abs(value))}`;
