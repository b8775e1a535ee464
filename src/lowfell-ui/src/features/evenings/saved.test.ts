import { expect, test } from "vitest";
import type { PlanSummary } from "../../api/types";
import { saved } from "./saved";

const plan = (part: Partial<PlanSummary>): PlanSummary => ({
  doneOn: "2026-12-10",
  notBefore: "2026-12-01",
  evenings: 8,
  workMin: 600,
  setUps: 40,
  idleMin: 0,
  paintMl: 50,
  lateDays: 0,
  ...part,
});

test("days, evenings, minutes, set-ups and paint are told, the better way first to last", () => {
  expect(
    saved(plan({}), plan({ doneOn: "2026-12-08", evenings: 7, workMin: 690, setUps: 39, paintMl: 48.5, lateDays: 0 })),
  ).toBe("2 days sooner, 1 evening less, 1.5 h more, 1 set-up less, 1.5 ml less");
});

test("what is alike is the same, and set-ups are left out where nobody looked for fewer", () => {
  expect(saved(plan({}), plan({}))).toBe("the same");
  expect(saved(plan({}), plan({ setUps: 30 }), false)).toBe("the same");
  expect(saved(plan({ doneOn: null }), plan({ evenings: 9 }))).toBe("1 evening more");
});
