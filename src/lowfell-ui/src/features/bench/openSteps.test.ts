import { expect, test } from "vitest";
import { stepKey } from "../../api/step";
import type { Plan, PlannedStep, ZoneProgress } from "../../api/types";
import { logAction } from "../../craft/logAction";
import { copiesNow, openSteps, unknownTo } from "./openSteps";
import type { BenchAction } from "./queue";

const step = (coatId: string, copies: number[]) => ({ zoneId: "z", coatId, pass: 1, copies }) as PlannedStep;
const plan = (...steps: PlannedStep[]) => ({ calendar: [{ steps }] }) as unknown as Plan;

test("what was done or left out is off, and what was taken back is on again", () => {
  const tan = step("tan", [1, 2, 3]);
  const actions = [
    logAction(tan, "done", [1, 2]),
    logAction(tan, "takenBack", [2]),
    logAction(tan, "skipped", [3]),
    logAction(tan, "problem", [2], { note: "a run" }),
  ];
  expect(openSteps(plan(tan, step("wash", [1])), actions, []).map((s) => [s.coatId, s.copies])).toEqual([
    ["tan", [2]],
    ["wash", [1]],
  ]);
});

test("a step that is put off waits, whichever copies it is for", () => {
  const [tan, wash] = [step("tan", [1]), step("wash", [1])];
  expect(openSteps(plan(tan, wash), [], [stepKey(tan)]).map((s) => s.coatId)).toEqual(["wash"]);
});

test("an answer knows of what was taken before it was asked for, and of nothing since", () => {
  const [early, late, waiting] = [1, 2, 3].map((n) => logAction(step("tan", [n]), "done", [n]));
  const recent = [
    { action: early!, at: 10 },
    { action: late!, at: 30 },
  ];
  expect(unknownTo(20, [waiting!], recent)).toEqual([late, waiting]);
});

test("the strip shows at once what the host has not heard of", () => {
  const progress = {
    zoneId: "z",
    steps: [
      { coatId: "tan", pass: 1 },
      { coatId: "wash", pass: 1 },
    ],
    copies: ["d.", "..", "d."],
  } as unknown as ZoneProgress;
  const actions = [logAction(step("wash", []), "done", [1]), logAction(step("tan", []), "takenBack", [3])];
  expect(copiesNow(progress, actions)).toEqual(["dd", "..", ".."]);
});

test("a part that is fitted is known by itself, whichever zone tells of it", () => {
  const fit = { zoneId: "z", partId: "gear", pass: 1, copies: [1, 2] } as PlannedStep;
  const done = { ...fit, id: "1", kind: "done", zoneId: "elsewhere", copies: [1] } as unknown as BenchAction;
  expect(openSteps(plan(fit), [done], []).map((s) => s.copies)).toEqual([[2]]);
  expect(openSteps(plan(step("gear", [1])), [done], []).map((s) => s.copies)).toEqual([[1]]);
});
