import type { Stratum, ZoneDraft } from "../../api/types";
import { duration, number } from "../../api/words";

/** When a coat is dry, in the painter's words. */
export function drying(
  s: Pick<Stratum, "touchMin" | "recoatMin" | "curedH" | "workFromMin" | "workToMin">,
  air: ZoneDraft["air"],
): string {
  const parts = [
    s.touchMin >= 1 && `touch-dry after ${duration(s.touchMin)}`,
    `next coat after ${duration(s.recoatMin)}`,
    s.curedH > 0 && `cured after ${duration(s.curedH * 60)}`,
    s.workToMin != null && `cleaned up ${duration(s.workFromMin ?? 0)} to ${duration(s.workToMin)} after it went on`,
  ].filter(Boolean);
  const text = parts.join(", ");
  return `${text[0]!.toUpperCase()}${text.slice(1)}, at ${number(air?.temperatureC ?? 20)} °C and ${number((air?.humidity ?? 0.5) * 100, 0)} % humidity`;
}
