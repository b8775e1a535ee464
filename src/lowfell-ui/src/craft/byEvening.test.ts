import { expect, test } from "vitest";
import type { LogEntry } from "../api/types";
import { byEvening, eveningOf, minutesOf } from "./byEvening";

let next = 0;
const entry = (at: string, part: Partial<LogEntry> = {}): LogEntry => ({
  id: `e${next++}`,
  at: new Date(at).toISOString(),
  kind: "done",
  zoneId: "z",
  label: "Straight, Walkway",
  coatId: "c",
  paint: "Wet Sand",
  pass: 1,
  copy: 1,
  minutes: 3,
  roomC: 18,
  roomHumidity: 0.5,
  who: "",
  notice: "",
  deviation: "",
  cause: "",
  remedy: "",
  note: "",
  symptom: "",
  causeKey: "",
  ticks: [],
  ...part,
});

test("work past midnight belongs to the evening before", () => {
  expect(eveningOf("2026-11-10T23:50:00")).toBe("2026-11-10");
  expect(eveningOf("2026-11-11T00:49:00")).toBe("2026-11-10");
  expect(eveningOf("2026-11-11T09:00:00")).toBe("2026-11-11");
  const late = [entry("2026-11-11T00:30:00", { copy: 2 }), entry("2026-11-10T22:00:00")];
  expect(byEvening(late).map((e) => e.day)).toEqual(["2026-11-10"]);
});

test("copies that were done together are one line, in their order, with their minutes", () => {
  const [evening] = byEvening([
    entry("2026-11-10T20:02:00", { copy: 3 }),
    entry("2026-11-10T20:01:00", { copy: 1 }),
    entry("2026-11-10T20:00:00", { copy: 2 }),
  ]);
  expect(evening!.lines).toHaveLength(1);
  expect(evening!.lines[0]!.entries.map((e) => e.copy)).toEqual([1, 2, 3]);
  expect(minutesOf(evening!.lines[0]!)).toBe(9);
});

test.each([
  ["another kind", { kind: "skipped" as const }],
  ["another coat", { coatId: "d" }],
  ["another pass", { pass: 2 }],
  ["another zone", { zoneId: "y" }],
  ["other words", { note: "a puddle" }],
  ["another picture", { photoId: "p" }],
  ["hours later", { at: new Date("2026-11-10T22:00:00").toISOString() }],
  ["the same copy again", { copy: 1 }],
])("%s is another line", (_, part) => {
  const [evening] = byEvening([entry("2026-11-10T20:01:00", { copy: 2, ...part }), entry("2026-11-10T20:00:00")]);
  expect(evening!.lines).toHaveLength(2);
});
