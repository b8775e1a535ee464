import { expect, test } from "vitest";
import { costWords, movedWords, outcomeWords } from "./costs";

test("what a mend takes is counted, what it saves is said", () => {
  expect(costWords({ waitHours: 0.5, minutes: 4, ml: 3.4, coats: 1 })).toBe(
    "+30 min of waiting, +4 min of work, +1 coat, +3.4 ml",
  );
  expect(costWords({ waitHours: -11.5, minutes: 0, ml: 0, coats: -2 })).toBe("saves 11.5 h of waiting, saves 2 coats");
  expect(costWords({ waitHours: 0, minutes: 0.1, ml: 0.02, coats: 0 })).toBe("costs nothing");
});

test("colours that stay where they are are not spoken of", () => {
  expect(movedWords({ recess: 0, face: 0.01, edge: 0 })).toBeNull();
  expect(movedWords({ recess: 1.2, face: 0, edge: 6 })).toBe("edge clearly off (6 dE)");
});

test("what is left of the trouble is counted", () => {
  expect(outcomeWords({ stops: 0, risks: 0, notes: 0 })).toBe("nothing left");
  expect(outcomeWords({ stops: 1, risks: 2, notes: 0 })).toBe("1 stop, 2 risks left");
  expect(outcomeWords({ stops: 0, risks: 0, notes: 1 })).toBe("1 note left");
});
