import type { Coat, Material, Mix } from "../../api/types";

export type PaintNames = Map<string, { name: string; colour: string }>;

/** What a coat is made of, by id of material or mix. */
export function paintNames(materials: Material[], mixes: Mix[]): PaintNames {
  const names: PaintNames = new Map();
  for (const m of materials) names.set(m.id, { name: m.material.name, colour: m.material.colour });
  for (const m of mixes) names.set(m.id, { name: m.mix.name, colour: m.preview.overWhite[2] ?? "#888888" });
  return names;
}

export function paintOf(coat: Coat, names: PaintNames): { name: string; colour: string | null } {
  const known = names.get(coat.materialId ?? coat.mixId ?? "");
  if (!known)
    return {
      name: coat.technique === "openChips" ? "damp brush" : "gone from the shelf",
      colour: null,
    };
  return coat.mixedTo ? { name: `${known.name}, mixed to ${coat.mixedTo}`, colour: coat.mixedTo } : known;
}
