import type { Coat, Family, Material, Mix } from "../../api/types";
import { coatTitle, techniqueFacts } from "../../api/words";

export type PaintNames = Map<string, { name: string; colour: string; family?: Family }>;

/** What a coat is made of, by id of material or mix. */
export function paintNames(materials: Material[], mixes: Mix[]): PaintNames {
  const names: PaintNames = new Map();
  for (const m of materials)
    names.set(m.id, { name: m.material.name, colour: m.facts.colour, family: m.material.family });
  for (const m of mixes) names.set(m.id, { name: m.mix.name, colour: m.preview.overWhite[2] ?? "#888888" });
  return names;
}

export function paintOf(coat: Coat, names: PaintNames): { name: string; colour: string | null } {
  const known = names.get(coat.materialId ?? coat.mixId ?? "");
  const { needsMaterial, tool } = techniqueFacts(coat.technique);
  if (!known) return { name: needsMaterial ? "gone from the shelf" : tool, colour: null };
  return coat.mixedTo ? { name: `${known.name}, mixed to ${coat.mixedTo}`, colour: coat.mixedTo } : known;
}

/** What a coat is, at the start of a line. */
export const titleOf = (coat: Coat, names: PaintNames) =>
  coatTitle(coat.technique, names.get(coat.materialId ?? coat.mixId ?? "")?.family);
