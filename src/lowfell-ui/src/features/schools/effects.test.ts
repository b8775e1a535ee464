import { expect, test } from "vitest";
import { effectWords } from "./effects";

const none = { value: "gloss", minutes: 0, waitHours: 0, coats: 0, ml: 0, asked: 0, spared: 0, stacks: 0, moved: 0 };

test("an answer that changes nothing says so", () => {
  expect(effectWords(none, 27)).toBe("On this bench it changes nothing.");
  expect(effectWords(none, 0)).toBe("Nothing is planned on this bench yet.");
});

test("what it costs and what it saves stand side by side, with how many stacks it touches", () => {
  expect(effectWords({ ...none, coats: 2, minutes: 25, waitHours: -12, stacks: 4, spared: 1 }, 27)).toBe(
    "Here: +2 coats, +25 min of work, saves 12 h of waiting, 1 finding less; in 4 of 27 stacks.",
  );
  expect(effectWords({ ...none, moved: 2.3, stacks: 1 }, 1)).toBe(
    "Here: colours end the same at arm's length (2.3 dE) at most; in 1 of 1 stack.",
  );
});
