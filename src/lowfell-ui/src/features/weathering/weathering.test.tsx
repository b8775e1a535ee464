import { expect, test } from "vitest";
import type { WeatheringDraft, WeatheringView } from "../../api/types";
import { heldWith, layout, runs, sidesOf, spot } from "./faces";
import { counted, told } from "./history";

const zone = (side: "front" | "top") =>
  ({
    id: side,
    name: side,
    parts: [{ side, fromX: 0, toX: 150, fromY: 0, toY: 70 }],
    hosts: [],
  }) as unknown as WeatheringView["zones"][number];

const view = {
  lengthMm: 150,
  widthMm: 30,
  heightMm: 70,
  zones: [zone("front"), zone("top")],
  plan: { letters: [] },
} as unknown as WeatheringView;

const plan = {
  history: { age: "tenYears", went: [], thrown: "feet" },
  hosts: [],
  entries: [{ id: "rain", held: [] }],
} as unknown as WeatheringDraft;

const mark = { side: "front", xMm: 40, yMm: 60, widthMm: 0.5, lengthMm: 10, angleDeg: 0, host: 2 } as const;

test("sides stand beside each other with the top over the front", () => {
  expect(sidesOf(view)).toEqual(["front", "top"]);
  const map = layout(view);
  const [front, top] = map.faces;
  expect(front).toMatchObject({ side: "front", across: 150, up: 70 });
  expect(front!.y).toBeGreaterThan(top!.y + top!.up);
  expect(map.width).toBeGreaterThanOrEqual(151);
  expect(map.height).toBeGreaterThan(100);
});

test("under a long wall there is room for the names of its sides", () => {
  const long = { ...view, lengthMm: 600, widthMm: 200 } as typeof view;
  const map = layout(long);
  const front = map.faces[0]!;
  expect(map.nameMm).toBeGreaterThan(6);
  // The line that they stand on, and the foot of a g.
  expect(map.height - front.y - front.up).toBeGreaterThan(map.nameMm * (1.2 + 0.35));
  expect(layout(long, true).nameMm).toBeLessThan(3);
});

test("a mark stays on its side, to a tenth of a millimetre", () => {
  expect(spot(view, { ...mark, xMm: -5, yMm: 99 })).toMatchObject({ xMm: 1, yMm: 70 });
  expect(spot(view, { ...mark, xMm: 33.333, yMm: 12.04 })).toMatchObject({ xMm: 33.3, yMm: 12 });
  expect(spot(view, { ...mark, side: "right", xMm: 149 })).toMatchObject({ xMm: 29 });
});

test("marks that are put by hand are held for their copy alone", () => {
  const once = heldWith(plan, "rain", 2, [mark]);
  expect(once.entries[0]!.held).toEqual([{ copy: 2, marks: [mark] }]);
  const twice = heldWith(heldWith(once, "rain", 1, []), "rain", 2, []);
  expect(twice.entries[0]!.held?.map((h) => [h.copy, h.marks.length])).toEqual([
    [1, 0],
    [2, 0],
  ]);
  expect(heldWith(plan, "another", 2, [mark])).toEqual(plan);
});

test("cells in a row are drawn as runs of one tone", () => {
  expect(runs("..0011.1")).toEqual([
    { from: 2, cells: 2, tone: 0 },
    { from: 4, cells: 2, tone: 1 },
    { from: 7, cells: 1, tone: 1 },
  ]);
  expect(runs("....")).toEqual([]);
});

test("what a piece went through is told in a sentence", () => {
  expect(told(plan.history)).toBe("Nothing is told of it yet.");
  expect(told({ ...plan.history, went: ["rain", "saltWind"], from: "left" })).toBe(
    "For ten years: rain, salt wind, from the left.",
  );
  expect(told({ ...plan.history, went: ["wetGround"], thrown: "tracks" })).toContain(
    "the ground is thrown up by tracks",
  );
});

test("what was counted is kept by zone, and forgotten when it is emptied", () => {
  const once = counted(plan, view.zones[0]!, { ledges: 7 });
  expect(once.hosts).toEqual([{ zoneId: "front", ledges: 7 }]);
  const both = counted(counted(once, view.zones[1]!, { iron: 2 }), view.zones[0]!, { perches: 0 });
  expect(both.hosts).toContainEqual({ zoneId: "front", ledges: 7, perches: 0 });
  expect(counted(both, view.zones[0]!, { ledges: null }).hosts).toContainEqual({ zoneId: "front", perches: 0 });
});
