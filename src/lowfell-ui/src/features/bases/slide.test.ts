import { describe, expect, it } from "vitest";
import type { OpenGround } from "../../api/types";
import { inTheWay, slide } from "./slide";

// Five by five cells of half a millimetre; a landing in the middle, the rim round it.
const ground: OpenGround = {
  stepMm: 0.5,
  columns: 5,
  rows: 5,
  fromX: -1,
  fromY: -1,
  cells: "rrrrr" + "r...r" + "r.l.r" + "r...r" + "rrrrr",
  reasons: { r: "it would reach into the rim", l: "it would stand on a landing" },
};

describe("an element that is dragged", () => {
  it("stands where it is pulled to, where it may", () => {
    expect(slide(ground, { x: -0.4, y: 0.1 })).toEqual({ x: -0.4, y: 0.1 });
    expect(inTheWay(ground, { x: -0.5, y: 0 })).toBeUndefined();
  });

  it("slides along a landing and along the rim, as near as it may", () => {
    expect(slide(ground, { x: 0.2, y: 0 })).toEqual({ x: 0.5, y: 0 });
    expect(slide(ground, { x: -3, y: 0.5 })).toEqual({ x: -0.5, y: 0.5 });
    expect(inTheWay(ground, { x: 0, y: 0 })).toBe("l");
    expect(inTheWay(ground, { x: 9, y: 0 })).toBe("r");
  });

  it("never ends on forbidden ground, wherever it is pulled to", () => {
    for (let x = -3; x <= 3; x += 0.13)
      for (let y = -3; y <= 3; y += 0.17) {
        const at = slide(ground, { x, y });
        expect(at && inTheWay(ground, at)).toBeUndefined();
        expect(at).toBeDefined();
      }
  });

  it("stays where no ground is open", () => {
    expect(slide({ ...ground, cells: "r".repeat(25) }, { x: 0, y: 0 })).toBeUndefined();
  });
});
