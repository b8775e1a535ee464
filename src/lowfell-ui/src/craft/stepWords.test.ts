import { expect, test } from "vitest";
import { counted, often, passOf, whereOf } from "./stepWords";

const mix = {
  paintParts: 4,
  thinnerParts: 1,
  thinnerOfWhole: 20,
  thinnerAdded: 25,
  paintDrops: 4,
  thinnerDrops: 1,
  truePaintFraction: 0.74,
  totalMl: 1.3,
  paintMl: 1,
  thinnerMl: 0.3,
  times: 5,
};

test("a mix is counted out by name, as often as it takes", () => {
  expect(counted({ mix, paint: "Hull Green", thinner: "water" })).toBe("4 Hull Green + 1 water, five times");
  expect(counted({ mix: { ...mix, times: 12 }, paint: "Hull Green", thinner: "water" })).toBe(
    "4 Hull Green + 1 water, 12 times",
  );
  expect(counted({ mix: { ...mix, times: 13 }, paint: "Hull Green", thinner: "water" })).toBe(
    "1 ml Hull Green + 0.3 ml water",
  );
  expect(counted({ mix: { ...mix, thinnerDrops: 0 }, paint: "Kelp Wash", thinner: null })).toBe("1.3 ml as it comes");
  expect(counted({ mix: null, paint: null, thinner: null })).toBe("");
  expect(often(1)).toBe("once");
});

test("two passes of the same coat on the same copies do not read the same", () => {
  const step = { piece: "Sluice", zone: "Stone courses", copies: [1, 2], passes: 2 };
  expect(whereOf({ ...step, pass: 1 })).toBe("Sluice, Stone courses 1–2, pass 1 of 2");
  expect(whereOf({ ...step, pass: 2 })).not.toBe(whereOf({ ...step, pass: 1 }));
  expect(passOf({ pass: 1, passes: 1 })).toBe("");
  expect(passOf({ pass: 0, passes: 2 })).toBe("");
});
