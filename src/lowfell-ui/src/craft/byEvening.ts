import type { LogEntry } from "../api/types";

/** Copies that were done together: the same step, kind and words, one after the other. */
export interface LogLine {
  /** Of the latest of its entries. */
  id: string;
  entries: LogEntry[];
}

/** An evening of the log; work past midnight belongs to the evening before. */
export interface LogEvening {
  /** The day it began on, as yyyy-mm-dd where the painter is. */
  day: string;
  lines: LogLine[];
}

/** An evening ends before the painter gets up. */
const nightHours = 5;
const togetherMs = 10 * 60_000;

/** The day that a moment's evening began on, by the clock of this browser. */
export function eveningOf(at: string): string {
  const then = new Date(at);
  then.setHours(then.getHours() - nightHours);
  return `${then.getFullYear()}-${String(then.getMonth() + 1).padStart(2, "0")}-${String(then.getDate()).padStart(2, "0")}`;
}

/** Whether what was said beside them lets two entries be told as one. */
const together = (a: LogEntry, b: LogEntry) =>
  a.kind === b.kind &&
  a.zoneId === b.zoneId &&
  (a.coatId ?? a.partId) === (b.coatId ?? b.partId) &&
  a.pass === b.pass &&
  a.label === b.label &&
  a.paint === b.paint &&
  a.note === b.note &&
  a.deviation === b.deviation &&
  a.cause === b.cause &&
  a.remedy === b.remedy &&
  a.photoId === b.photoId &&
  a.notice === b.notice &&
  a.who === b.who &&
  Math.abs(Date.parse(a.at) - Date.parse(b.at)) <= togetherMs;

/** Entries, the newest first, by evening and step: one line for all copies that were done together. */
export function byEvening(entries: LogEntry[]): LogEvening[] {
  const evenings: LogEvening[] = [];
  for (const e of entries) {
    const day = eveningOf(e.at);
    let evening = evenings.at(-1);
    if (evening?.day !== day) evenings.push((evening = { day, lines: [] }));
    const line = evening.lines.find((l) => together(l.entries.at(-1)!, e) && !l.entries.some((o) => o.copy === e.copy));
    if (line) line.entries.push(e);
    else evening.lines.push({ id: e.id, entries: [e] });
  }
  for (const { lines } of evenings) for (const l of lines) l.entries.sort((a, b) => a.copy - b.copy);
  return evenings;
}

const sum = (values: (number | null | undefined)[]) => values.reduce<number>((n, v) => n + (v ?? 0), 0);

/** Minutes of all its copies; 0 where none were taken. */
export const minutesOf = (line: LogLine): number => sum(line.entries.map((e) => e.minutes));

export const setUpOf = (line: LogLine): number => sum(line.entries.map((e) => e.setUpMinutes));
