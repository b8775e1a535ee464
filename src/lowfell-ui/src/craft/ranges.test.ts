import { expect, test } from "vitest";
import { ranges } from "./ranges";

test("numbers in a row are told as one run", () => {
  expect(ranges([1, 2, 3, 7])).toBe("1–3, 7");
  expect(ranges([4])).toBe("4");
  expect(ranges([])).toBe("");
});
