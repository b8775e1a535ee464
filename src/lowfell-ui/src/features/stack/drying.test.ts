import { expect, test } from "vitest";
import { drying } from "./drying";

test("a coat says when it is dry, and in which air", () => {
  expect(drying({ touchMin: 12, recoatMin: 30, curedH: 24 }, { temperatureC: 17, humidity: 0.6, fan: false })).toBe(
    "Touch-dry after 12 min, next coat after 30 min, cured after 24 h, at 17 °C and 60 % humidity",
  );
});

test("a wash with a window says from when to when it comes off", () => {
  const text = drying({ touchMin: 25, recoatMin: 150, curedH: 48, workFromMin: 10, workToMin: 180 }, undefined);
  expect(text).toContain("cleaned up 10 min to 3 h after it went on");
  expect(text).toContain("20 °C and 50 %");
});
