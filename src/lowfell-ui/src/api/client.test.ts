import { expect, test } from "vitest";
import { Problem, wording } from "./client";

test("a refusal speaks in the painter's words, without the names of fields", () => {
  const problem = new Problem(
    400,
    "Some of what was sent can't be taken.",
    {
      "coats[1].paintFraction": ["Coat 2, share of paint: 0 is outside 0.005 to 1."],
      "zone.scale": ["Scale: 0 is outside 1 to 1000."],
    },
    null,
  );
  expect(wording(problem)).toBe(
    "Some of what was sent can't be taken. Coat 2, share of paint: 0 is outside 0.005 to 1. Scale: 0 is outside 1 to 1000.",
  );
});

test("three faults at a time are enough to read", () => {
  const fields = Object.fromEntries([1, 2, 3, 4].map((n) => [`f${n}`, [`Fault ${n}.`]]));
  expect(wording(new Problem(400, "No.", fields, null))).toBe("No. Fault 1. Fault 2. Fault 3.");
});

test("what answers nothing is worth another try", () => {
  expect(new Problem(0, "away", {}, null).passing).toBe(true);
  expect(new Problem(503, "away", {}, null).passing).toBe(true);
  expect(new Problem(400, "no", {}, null).passing).toBe(false);
  expect(wording(new Error("x"))).toBe("Something has failed here.");
});
