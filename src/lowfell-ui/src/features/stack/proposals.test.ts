import { describe, expect, it } from "vitest";
import { usualFraction } from "../../api/words";
import { coat, material } from "../../test/samples";
import { coatOf } from "../../craft/coatOf";
import { noteLast, withKnown, withMaterial, withTechnique } from "./stackEdits";

const tan = material("tan", "acrylicPaint");
const kelp = material("kelp", "acrylicWash");
const can = material("can", "primerAerosol");
const oil = material("oil", "oilPaint");
const shelf = [tan, kelp, can, oil];

describe("a technique proposes its usual dilution", () => {
  it("for the paint that is there, or for what it is usually laid of", () => {
    const glaze = withTechnique(coat("a", { paintFraction: 0.75 }), "glaze", shelf);
    expect(glaze.paintFraction).toBe(usualFraction("glaze", "acrylicPaint"));
    expect(glaze.materialId).toBe("tan");
    expect(withTechnique(coat("a"), "wash", shelf)).toMatchObject({ materialId: "kelp", paintFraction: 1 });
    expect(withTechnique(coat("a"), "sprayCan", shelf)).toMatchObject({ materialId: "can", thinner: "lacquerThinner" });
    expect(withTechnique(coat("a"), "wash", [tan]).materialId).toBe("tan");
    expect(withTechnique(coat("a", { materialId: "oil" }), "filter", shelf).paintFraction).toBeLessThan(0.1);
  });

  it("and lets go of what only the other way asks for", () => {
    const marked = coat("a", {
      technique: "speckle",
      marks: { count: 6, widthMm: 1, lengthMm: 1 },
      deposit: { wetFilmUm: [1, 2, 3], coverage: [0, 0.1, 0.2] },
    });
    const base = withTechnique(marked, "baseCoat", shelf);
    expect(base.marks).toBeUndefined();
    expect(base.deposit).toBeUndefined();
    expect(withTechnique({ ...marked, technique: "streak" }, "marking", shelf).marks).toEqual(marked.marks);
  });

  it("handwork has no paint, and what follows on it gets one again", () => {
    const opened = withTechnique(coat("a"), "openChips", shelf);
    expect(opened.materialId).toBeUndefined();
    expect(withTechnique(opened, "dryBrush", shelf).materialId).toBe("tan");
    expect(withTechnique(coat("a", { materialId: undefined, mixId: "m" }), "wash", shelf).mixId).toBe("m");
  });
});

describe("a material proposes how it is used", () => {
  it("a can is sprayed as it comes", () => {
    const sprayed = withMaterial(coat("a"), can, shelf);
    expect(sprayed).toMatchObject({ technique: "sprayCan", paintFraction: 1, materialId: "can" });
  });

  it("the paint that was last used so comes first", () => {
    const soot = material("soot", "acrylicWash");
    noteLast(coat("a", { technique: "wash", materialId: "soot" }));
    expect(withTechnique(coat("a"), "wash", [...shelf, soot]).materialId).toBe("soot");
    expect(withTechnique(coat("a"), "wash", shelf).materialId).toBe("kelp");
    localStorage.clear();
  });

  it("another kind proposes its own way, a paint thinned to a wash stays one", () => {
    expect(withMaterial(coat("a", { technique: "wash", materialId: "kelp" }), tan, shelf).technique).toBe("wash");
    expect(withMaterial(coat("a"), material("satin", "varnishWater"), shelf).technique).toBe("varnish");
    expect(withMaterial(coat("a"), material("grit", "grit"), shelf).technique).toBe("gritInGlue");
  });

  it("what no longer comes in a can is brushed", () => {
    const sprayed = withMaterial(coat("a"), can, shelf);
    expect(withMaterial(sprayed, tan, shelf)).toMatchObject({ technique: "baseCoat", thinner: "water" });
  });

  it("another paint of the same kind keeps the dilution, another kind gets its own", () => {
    const other = material("other", "acrylicPaint");
    expect(withMaterial(coat("a", { paintFraction: 0.66 }), other, [...shelf, other]).paintFraction).toBe(0.66);
    const spirit = withMaterial(coat("a", { paintFraction: 0.66 }), oil, shelf);
    expect(spirit.thinner).toBe("whiteSpirit");
    expect(spirit.paintFraction).toBe(usualFraction("baseCoat", "oilPaint"));
  });

  it("a new coat begins with what is usual", () => {
    expect(coatOf("thinnedWash", kelp).paintFraction).toBe(usualFraction("thinnedWash", "acrylicWash"));
    expect(coatOf("sprayCan", can)).toMatchObject({ paintFraction: 1, known: [], whileWet: false });
  });
});

describe("what the painter knows", () => {
  const finding = { rule: "heavy-wash", coatId: "a", aspect: "", mark: "m1" };

  it("stands on its coat with the reason", () => {
    const [a, b] = withKnown([coat("a"), coat("b")], finding, "it is meant");
    expect(a!.known).toEqual([{ rule: "heavy-wash", aspect: "", mark: "m1", reason: "it is meant" }]);
    expect(b!.known).toEqual([]);
  });

  it("is said once, and can be taken back", () => {
    const once = withKnown([coat("a")], finding, "it is meant");
    const twice = withKnown(once, { ...finding, mark: "m2" }, "still");
    expect(twice[0]!.known).toEqual([{ rule: "heavy-wash", aspect: "", mark: "m2", reason: "still" }]);
    expect(withKnown(twice, finding, null)[0]!.known).toEqual([]);
  });

  it("of one aspect leaves the others", () => {
    const both = withKnown(withKnown([coat("a")], finding, "x"), { ...finding, aspect: "edge" }, "y");
    expect(both[0]!.known).toHaveLength(2);
    expect(withKnown(both, finding, null)[0]!.known.map((k) => k.aspect)).toEqual(["edge"]);
  });
});
