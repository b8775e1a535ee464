import { expect, test } from "vitest";
import { bounds } from "../api/bounds";
import { allowed, colourOrNothing, figure, figureOrNothing, holds, inUnits, nameOf, percent } from "./bound";

test("a bound that begins above its least does not hold it", () => {
  const fraction = bounds.LogAction.paintFraction;
  expect([0, 0.001, 1, 1.001, Number.NaN].map((v) => holds(fraction, v))).toEqual([false, true, true, false, false]);
  expect(allowed(fraction)).toBe("above 0 to 1");
});

test("a bound is told in the unit that is typed", () => {
  expect(allowed(percent(bounds.RoomView.humidity))).toBe("5 to 99 %");
  expect(allowed(inUnits(bounds.SetDraft.viewingMm, 1 / 1000, "m"))).toBe("0.1 to 10 m");
  expect(allowed(bounds.ZoneSettings.ownAreaMm2)).toBe("1 to 10000000 mm²");
});

test("a form's field says what is allowed", () => {
  const copies = figure(bounds.PieceDraft.copies, true).validate;
  expect([copies(12), copies(1.5), copies(Number.NaN)]).toEqual([true, "1 to 1000 copies", "1 to 1000 copies"]);
  const height = figureOrNothing(bounds.ZoneSettings.heightToMm).validate;
  expect([height(" "), height("3000"), height("3001"), height("tall")]).toEqual([
    true,
    true,
    "0 to 3000 mm, or empty",
    "0 to 3000 mm, or empty",
  ]);
  expect(colourOrNothing.validate("rust")).toBe("#rrggbb, or empty");
  expect(colourOrNothing.validate("#4A5b60")).toBe(true);
  expect(nameOf(bounds.SetDraft.name).validate("  ")).toBe("Give it a name.");
});
