import type { Outcome, Severity } from "../api/types";
import { SeverityMark } from "./SeverityMark";

const severities = [
  ["stop", "stops"],
  ["risk", "risks"],
  ["note", "notes"],
] as const satisfies [Severity, keyof Outcome][];

interface Props {
  found: Outcome;
  size?: number;
  /** Numbers beside their marks alone, where there is no room for words. */
  bare?: boolean;
  /** The lightest that is told. */
  from?: Severity;
}

/** How many stops, risks and notes there are, by shape and number; nothing where there are none. */
export function FoundCounts({ found, size = 12, bare, from = "note" }: Props) {
  const told = severities.slice(0, severities.findIndex(([severity]) => severity === from) + 1);
  return told.map(([severity, many]) =>
    found[many] === 0 ? null : (
      <span key={severity} className="inline-flex items-center gap-1">
        <SeverityMark severity={severity} size={size} silent={!bare} /> {found[many]}
        {!bare && ` ${found[many] === 1 ? severity : many}`}
      </span>
    ),
  );
}

/** How many there are of each, of findings that speak. */
export function countFound(findings: { severity: Severity; rests?: string | null }[]): Outcome {
  const count = (severity: Severity) => findings.filter((f) => f.severity === severity && f.rests == null).length;
  return { stops: count("stop"), risks: count("risk"), notes: count("note") };
}

/** Of several together. */
export const sumFound = (all: Outcome[]): Outcome =>
  all.reduce((a, b) => ({ stops: a.stops + b.stops, risks: a.risks + b.risks, notes: a.notes + b.notes }), {
    stops: 0,
    risks: 0,
    notes: 0,
  });
