import type { PlannedStep } from "../api/types";
import { millilitres } from "../api/units";
import { ranges } from "./ranges";

const times = ["", "once", "twice", "three times", "four times", "five times", "six times", "seven times"];

/** Nobody counts the same drops out more often than this: they measure. */
const mostCounted = 12;

/** How often, in words. */
export const often = (n: number): string => times[n] ?? `${n} times`;

/** What to count out: "4 Hull Green + 1 water, five times". */
export function counted(s: Pick<PlannedStep, "mix" | "paint" | "thinner">): string {
  const mix = s.mix;
  if (!mix) return "";
  if (mix.thinnerDrops === 0 || !s.thinner) return `${millilitres(mix.totalMl)} as it comes`;
  if (mix.times > mostCounted)
    return `${millilitres(mix.paintMl)} ${s.paint} + ${millilitres(mix.thinnerMl)} ${s.thinner}`;
  return `${mix.paintDrops} ${s.paint} + ${mix.thinnerDrops} ${s.thinner}, ${often(mix.times)}`;
}

/** Which pass it is, where there are several. */
export const passOf = (s: Pick<PlannedStep, "pass" | "passes">): string =>
  s.passes > 1 && s.pass > 0 ? `pass ${s.pass} of ${s.passes}` : "";

/** Where it is done, on which copies: no two steps of a plan read the same. */
export const whereOf = (s: Pick<PlannedStep, "piece" | "zone" | "copies" | "pass" | "passes">): string =>
  [`${s.piece}, ${s.zone} ${ranges(s.copies)}`, passOf(s)].filter(Boolean).join(", ");
