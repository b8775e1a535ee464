import { expect, test } from "vitest";
import { drying, dryingId } from "./drying";
import type { Timer } from "./Timers";

const heard = [
  {
    zoneId: "z",
    coatId: "c",
    pass: 1,
    what: "Base coat Rope Tan",
    where: "Straight, Walkway",
    copies: [1, 2],
    dryAt: "2026-11-26T20:31:00+00:00",
  },
];
const step = { zoneId: "z", coatId: "c", pass: 1 };
const own = (copies: number[]): Timer => ({
  id: dryingId(step, copies),
  label: "here",
  dryAt: 5,
  key: "z c 1",
  step,
  copies,
});

test("what another browser wrote down lies drying here too", () => {
  expect(drying([], heard, [], [])).toMatchObject([
    { label: "Straight, Walkway 1–2: Base coat Rope Tan", dryAt: Date.parse("2026-11-26T20:31:00Z"), rung: false },
  ]);
});

test("what the host has heard of is not shown twice, and what it has not is", () => {
  const key = drying([], heard, [], [])[0]!.key!;
  const all = drying(
    [
      { ...own([1]), key },
      { ...own([3]), key },
    ],
    heard,
    [],
    [],
  );
  expect(all.map((t) => t.copies)).toEqual([[1, 2], [3]]);
});

test("what was put away stays away, and what has rung does not ring again", () => {
  expect(drying([], heard, [dryingId(step, [2, 1])], [])).toEqual([]);
  expect(drying([], heard, [], [dryingId(step, [1, 2])])[0]!.rung).toBe(true);
});
