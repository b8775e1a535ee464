import { afterEach, expect, test } from "vitest";
import { bounds } from "../api/bounds";
import { setUnits } from "../api/units";
import { allowed } from "./bound";
import { own } from "./own";

afterEach(() => setUnits({ length: "mm" }));

test("a figure that nobody touched comes back to the last digit, whatever it is shown in", () => {
  setUnits({ length: "in" });
  const mm = own("mm");
  expect(mm.text(120)).toBe("4.724");
  expect([mm.kept("4.724", 120), mm.kept(4.724, 120)]).toEqual([120, 120]);
  expect(mm.kept("5", 120)).toBeCloseTo(127, 9);
  expect([mm.kept(" ", 120), mm.kept("", undefined)]).toEqual([undefined, undefined]);
});

test("a form says what is allowed in the painter's own units", () => {
  expect(own("mm").bound(bounds.PieceDraft.lengthMm)).toBe(bounds.PieceDraft.lengthMm);
  expect(own("mm").kept("4.75", 4.75)).toBe(4.75);
  setUnits({ length: "in" });
  expect(allowed(own("mm").bound(bounds.ZoneSettings.heightToMm))).toBe("0 to 118.11 in");
});
