import { describe, expect, it } from "vitest";
import { coat, material } from "../../test/samples";
import {
  change,
  duplicate,
  insertAt,
  move,
  paintFractionOf,
  primes,
  primingWays,
  remove,
  withoutPrimers,
  withPrimer,
  withTechnique,
} from "./stackEdits";

const stack = ["a", "b", "c", "d"].map((id) => coat(id));
const ids = (coats: { id: string }[]) => coats.map((c) => c.id).join("");

describe("edits of a stack", () => {
  it("moves a coat up and down and leaves the ends alone", () => {
    expect(ids(move(stack, 0, 2))).toBe("bcad");
    expect(ids(move(stack, 3, 0))).toBe("dabc");
    expect(move(stack, 3, 4)).toBe(stack);
    expect(move(stack, 0, -1)).toBe(stack);
  });

  it("inserts, changes, removes and duplicates", () => {
    expect(ids(insertAt(stack, 1, coat("x")))).toBe("axbcd");
    expect(ids(remove(stack, "b"))).toBe("acd");
    expect(change(stack, "c", { passes: 3 })[2]!.passes).toBe(3);
    const twin = duplicate(stack, "b");
    expect(twin.coats).toHaveLength(5);
    expect(twin.coats[2]!.id).toBe(twin.id);
    expect(twin.id).not.toBe("b");
  });

  it("reads a dilution three ways", () => {
    expect(paintFractionOf("parts", 3, 1)).toBe(0.75);
    expect(paintFractionOf("thinnerOfWhole", 30, 0)).toBeCloseTo(0.7);
    expect(paintFractionOf("thinnerAdded", 30, 0)).toBeCloseTo(1 / 1.3);
    expect(paintFractionOf("thinnerOfWhole", 100, 0)).toBeNull();
    expect(paintFractionOf("parts", 0, 1)).toBeNull();
  });
});

describe("priming", () => {
  const can = material("can", "primerAerosol");
  const brushed = material("brushed", "primerWater");
  const tan = material("tan", "acrylicPaint");

  it("goes by what is on the shelf: a can is sprayed, what is in a bottle is not", () => {
    expect(primingWays([tan, can])).toEqual(["sprayCan"]);
    expect(primingWays([tan, can, brushed]).toSorted()).toEqual(["airbrush", "baseCoat", "sprayCan"]);
    expect(primingWays([tan])).toEqual([]);
  });

  it("takes the primer for the way, as that is laid", () => {
    const painted = { ...coat("a"), technique: "baseCoat" as const, materialId: "tan" };
    expect(primes(painted, [tan, can])).toBe(false);
    const sprayed = withPrimer(painted, "sprayCan", [tan, brushed, can]);
    expect(sprayed).toMatchObject({ technique: "sprayCan", materialId: "can", paintFraction: 1 });
    expect(primes(sprayed, [tan, brushed, can])).toBe(true);
    expect(withPrimer(painted, "sprayCan", [tan])).toBe(painted);
  });

  it("is left for a coat of something that colours", () => {
    const primed = withPrimer({ ...coat("a"), technique: "baseCoat", materialId: "tan" }, "baseCoat", [tan, brushed]);
    expect(withTechnique(primed, "baseCoat", withoutPrimers([tan, brushed]))).toMatchObject({ materialId: "tan" });
  });
});
