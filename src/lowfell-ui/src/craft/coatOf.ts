import { newId } from "../api/newId";
import type { Coat, Material, Technique } from "../api/types";
import { usualFraction } from "../api/words";

/** A plain coat of a material, thinned as the technique usually wants it. */
export function coatOf(technique: Technique, material: Material | undefined): Coat {
  return {
    id: newId(),
    technique,
    ...(material ? { materialId: material.id } : {}),
    passes: 1,
    paintFraction: usualFraction(technique, material?.material.family),
    dilutionForm: "parts",
    thinner: material?.facts.thinners[0] ?? "water",
    hand: 1,
    hurried: false,
    optional: false,
    skipped: false,
    whileWet: false,
    wait: "recoatDry",
    known: [],
    note: "",
  };
}
