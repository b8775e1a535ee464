import { expect, test } from "vitest";
import { clock, dryAt, endAfter, fromHhmm, hhmm } from "./when";

test("times are told as the host's clock has them, across a change of clocks and in zones that a browser knows otherwise", () => {
  expect(clock("2026-10-24T19:30:00+01:00")).toBe("19:30");
  expect(clock("2026-10-25T19:30:00+00:00")).toBe("19:30");
  expect(clock("2026-12-01T19:30:00-07:00")).toBe("19:30");
  expect(clock("2026-12-01T19:30:00Z")).toBe("19:30");
});

test("what dries the same night is told by the hour, later by the day", () => {
  const evening = { closeAt: "2026-11-26T22:00:00+01:00" };
  expect(dryAt("2026-11-26T23:10:00+01:00", evening)).toBe("23:10");
  expect(dryAt("2026-11-27T09:00:00+01:00", evening)).toBe("Fri 09:00");
});

test("an evening that ends before it begins ends after midnight", () => {
  expect(endAfter(1260, 120)).toBe(1560);
  expect(endAfter(1260, 1380)).toBe(1380);
  expect(endAfter(1260, 1440)).toBe(1440);
  expect(hhmm(1560)).toBe("02:00");
});

test("minutes after midnight go to the clock and back", () => {
  for (const minutes of [0, 570, 1170, 1439]) expect(fromHhmm(hhmm(minutes))).toBe(minutes);
  expect(fromHhmm("25:00")).toBeUndefined();
  expect(fromHhmm("half past")).toBeUndefined();
});
