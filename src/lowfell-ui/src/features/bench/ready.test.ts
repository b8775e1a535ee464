import { expect, test } from "vitest";
import type { Plan, PlannedStep } from "../../api/types";
import { logAction } from "../../craft/logAction";
import { minutesEarly } from "../../craft/minutesEarly";
import { dueAt, readyAt, readyFirst } from "./ready";

const noon = Date.parse("2026-11-25T12:00:00Z");
const at = (minutes: number) => new Date(noon + minutes * 60_000).toISOString();
const step = (zoneId: string, coatId: string, copies: number[], part: Partial<PlannedStep> = {}) =>
  ({
    zoneId,
    coatId,
    pass: 1,
    copies,
    technique: "baseCoat",
    endAt: at(-60),
    nextFrom: at(-30),
    ...part,
  }) as PlannedStep;
const plan = (...steps: PlannedStep[]) => ({ calendar: [{ steps }] }) as unknown as Plan;
const done = (s: PlannedStep, copies: number[], minutes: number) => ({
  ...logAction(s, "done", copies),
  at: at(minutes),
});

test("a coat is ready when the one below has had its wait since the touch", () => {
  const [tan, wash] = [step("wall", "tan", [1, 2]), step("wall", "wash", [1, 2])];
  const actions = [done(tan, [1], -20), done(tan, [2], -10)];
  expect(readyAt(wash, plan(tan, wash), actions)).toBe(noon + 20 * 60_000);
  expect(readyAt({ ...wash, copies: [1] }, plan(tan, wash), actions)).toBe(noon + 10 * 60_000);
  expect(readyAt(step("walkway", "tan", [1]), plan(tan, wash), actions)).toBe(0);
});

test("what the host knows of the wait holds without a touch here", () => {
  const wash = step("wall", "wash", [1], { readyAt: at(12) });
  expect(minutesEarly(readyAt(wash, plan(wash), []), noon)).toBe(12);
  expect(minutesEarly(readyAt(wash, plan(wash), []), noon + 13 * 60_000)).toBe(0);
});

test("a step that is ready comes before one on wet paint", () => {
  const wet = step("wall", "wash", [1], { readyAt: at(12) });
  const other = step("walkway", "tan", [1]);
  expect(readyFirst([wet, other], plan(wet, other), [], noon).map((s) => s.zoneId)).toEqual(["walkway", "wall"]);
  expect(readyFirst([wet, other], plan(wet, other), [], noon + 20 * 60_000)[0]).toBe(wet);
});

test("the one that is ready soonest comes first where all are wet", () => {
  const late = step("wall", "wash", [1], { readyAt: at(30) });
  const soon = step("walkway", "wash", [1], { readyAt: at(5) });
  expect(readyFirst([late, soon], plan(late, soon), [], noon)[0]).toBe(soon);
});

test("a coat never passes one below it, nor the fitting of a part", () => {
  const wet = step("wall", "wash", [1], { readyAt: at(12) });
  const above = step("wall", "brush", [1]);
  const fit = step("gate", "gate", [1], { technique: undefined, readyAt: at(12) });
  const after = step("walkway", "tan", [1]);
  expect(readyFirst([wet, above], plan(wet, above), [], noon)[0]).toBe(wet);
  expect(readyFirst([wet, fit, after], plan(wet, fit, after), [], noon)[0]).toBe(wet);
});

test("what is cleaned up has until its window closes, counted from the touch", () => {
  const wash = step("wall", "wash", [1, 2], { nextBy: at(120), endAt: at(-60) });
  const clean = step("wall", "wash", [1, 2], { pass: 0 });
  const varnish = step("wall", "varnish", [1, 2]);
  const actions = [done(wash, [1], -30), done(wash, [2], -10)];
  expect(dueAt(clean, plan(wash, clean, varnish), actions)).toBe(noon + 150 * 60_000);
  expect(dueAt(varnish, plan(wash, clean, varnish), actions)).toBeNull();
});

test("the host tells of a window that opened before this page did", () => {
  const clean = step("wall", "wash", [1], { pass: 0, dueAt: at(40) });
  expect(dueAt(clean, plan(clean), [])).toBe(noon + 40 * 60_000);
  expect(dueAt(step("wall", "tan", [1]), plan(clean), [])).toBeNull();
});
