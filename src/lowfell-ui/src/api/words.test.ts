import { describe, expect, it } from "vitest";
import { area, duration, number, techniqueGroups, techniqueWord } from "./words";

describe("words", () => {
  it("knows every technique once", () => {
    const listed = techniqueGroups.flatMap((g) => g.items);
    expect([...listed].sort()).toEqual(Object.keys(techniqueWord).sort());
  });

  it("writes figures with their units and no empty decimals", () => {
    expect(number(12)).toBe("12");
    expect(number(1.46)).toBe("1.5");
    expect(area(540)).toBe("5.4 cm²");
    expect(area(19530)).toBe("195 cm²");
    expect(duration(20)).toBe("20 min");
    expect(duration(150)).toBe("2.5 h");
    expect(duration(4320)).toBe("3 days");
  });
});
