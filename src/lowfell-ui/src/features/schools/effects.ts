import type { SchoolEffects } from "../../api/types";
import { duration, number, offFigure } from "../../api/words";

type Effect = SchoolEffects["choices"][number];

/** What an answer would do here, in the painter's terms. */
export function effectWords(e: Effect, ofStacks: number): string {
  if (e.stacks === 0)
    return ofStacks === 0 ? "Nothing is planned on this bench yet." : "On this bench it changes nothing.";
  const parts = [
    more(e.coats, (n) => (n === 1 ? "1 coat" : `${n} coats`), 1),
    more(e.minutes, (n) => `${duration(n)} of work`, 1),
    more(e.waitHours, (n) => `${duration(n * 60)} of waiting`, 0.1),
    more(e.ml, (n) => `${number(n)} ml`, 0.1),
    e.moved >= 0.5 ? `colours end ${offFigure(e.moved)} at most` : null,
    e.spared > 0 ? `${e.spared} ${e.spared === 1 ? "finding" : "findings"} less` : null,
    e.asked > 0 ? `${e.asked} ${e.asked === 1 ? "finding" : "findings"} more` : null,
  ].filter((p) => p !== null);
  return `Here: ${parts.join(", ") || "little"}; in ${e.stacks} of ${ofStacks} ${ofStacks === 1 ? "stack" : "stacks"}.`;
}

const more = (value: number, words: (n: number) => string, least: number) =>
  Math.abs(value) < least ? null : value < 0 ? `saves ${words(-value)}` : `+${words(value)}`;
