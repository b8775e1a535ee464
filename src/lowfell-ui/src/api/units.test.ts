import { afterEach, expect, test } from "vitest";
import { area, length, millilitres, setUnits, shown, temperature } from "./units";
import { number } from "./words";

afterEach(() => setUnits({ length: "mm", volume: "ml", temperature: "c" }));

test("figures are written in millimetres, millilitres and C unless others are chosen", () => {
  expect([length(180), area(19_500), area(450), millilitres(6.6), millilitres(0.01), temperature(17)]).toEqual([
    "180 mm",
    "195 cm²",
    "4.5 cm²",
    "6.6 ml",
    "under 0.1 ml",
    "17 °C",
  ]);
  setUnits({ length: "in", volume: "floz", temperature: "f" });
  expect([length(180), area(19_500), millilitres(29.5735), millilitres(0.01), temperature(17)]).toEqual([
    "7.09 in",
    "30 in²",
    "1 fl oz",
    "under 0.005 fl oz",
    "63 °F",
  ]);
});

test("figures and dates are written as the chosen language writes them", () => {
  setUnits({ dates: "de-DE" });
  expect([millilitres(6.6), number(1.25, 2), number(3)]).toEqual(["6,6 ml", "1,25", "3"]);
  setUnits({ dates: "en-GB" });
  expect([millilitres(6.6), number(1.25, 2)]).toEqual(["6.6 ml", "1.25"]);
});

test("what is typed in other units is kept in those of the API", () => {
  setUnits({ length: "in", volume: "floz", temperature: "f" });
  for (const unit of ["mm", "mm²", "ml", "°C"]) {
    const as = shown(unit);
    for (const value of [0.1, 12.7, 400]) expect(as.take(as.show(value)), `${value} ${unit}`).toBeCloseTo(value, 9);
  }
  expect(shown("mm").show(25.4)).toBeCloseTo(1, 12);
  expect(shown("°C").show(100)).toBe(212);
  expect(shown("%")).toMatchObject({ unit: "%" });
});
