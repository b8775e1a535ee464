import { expect, test } from "vitest";
import { clock, dryAt, fromHhmm, hhmm } from "./when";

test("times are told in the painter's time zone, across a change of clocks", () => {
  expect(clock("2026-10-24T18:30:00Z", "Europe/London")).toBe("19:30");
  expect(clock("2026-10-25T19:30:00Z", "Europe/London")).toBe("19:30");
});

test("what dries the same night is told by the hour, later by the day", () => {
  const evening = { closeUtc: "2026-11-26T22:00:00Z" };
  expect(dryAt("2026-11-26T23:10:00Z", evening, "Etc/UTC")).toBe("23:10");
  expect(dryAt("2026-11-27T09:00:00Z", evening, "Etc/UTC")).toBe("Fri 09:00");
});

test("minutes after midnight go to the clock and back", () => {
  for (const minutes of [0, 570, 1170, 1439, 1440]) expect(fromHhmm(hhmm(minutes))).toBe(minutes);
  expect(fromHhmm("25:00")).toBeUndefined();
  expect(fromHhmm("half past")).toBeUndefined();
});
