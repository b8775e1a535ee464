import { newId } from "../../api/newId";
import type { Coat, Material, Technique } from "../../api/types";

/** A plain coat of a material. */
export function coatOf(technique: Technique, material: Material | undefined, paintFraction = 1): Coat {
  return {
    id: newId(),
    technique,
    ...(material ? { materialId: material.id } : {}),
    passes: 1,
    paintFraction: material ? Math.max(paintFraction, material.facts.leastPaintFraction) : 1,
    dilutionForm: "parts",
    thinner: material?.facts.thinners[0] ?? "water",
    hand: 1,
    hurried: false,
    optional: false,
    skipped: false,
    wait: "recoatDry",
    note: "",
  };
}

export function insertAt(coats: Coat[], index: number, coat: Coat): Coat[] {
  return [...coats.slice(0, index), coat, ...coats.slice(index)];
}

export function move(coats: Coat[], from: number, to: number): Coat[] {
  if (from === to || from < 0 || to < 0 || from >= coats.length || to >= coats.length) return coats;
  const rest = coats.filter((_, i) => i !== from);
  return insertAt(rest, to, coats[from]!);
}

export const change = (coats: Coat[], id: string, patch: Partial<Coat>): Coat[] =>
  coats.map((c) => (c.id === id ? { ...c, ...patch } : c));

export const remove = (coats: Coat[], id: string): Coat[] => coats.filter((c) => c.id !== id);

export function duplicate(coats: Coat[], id: string): { coats: Coat[]; id: string } {
  const index = coats.findIndex((c) => c.id === id);
  const copy = { ...coats[index]!, id: newId() };
  return { coats: insertAt(coats, index + 1, copy), id: copy.id };
}

/** The varnish that a bare barrier is made of: satin, water-borne where there is one. */
export function barrierMaterial(materials: Material[]): Material | undefined {
  const varnishes = materials.filter(
    (m) => m.material.family === "varnishWater" || m.material.family === "varnishLacquer",
  );
  return (
    varnishes.find((m) => m.material.sheen === "satin" && m.material.family === "varnishWater") ??
    varnishes.find((m) => m.material.sheen === "satin") ??
    varnishes[0]
  );
}

/** What a painter typed, as the fraction of paint; null where it says nothing. */
export function paintFractionOf(form: Coat["dilutionForm"], a: number, b: number): number | null {
  const fraction = form === "parts" ? a / (a + b) : form === "thinnerOfWhole" ? 1 - a / 100 : 1 / (1 + a / 100);
  return Number.isFinite(fraction) && fraction > 0 && fraction <= 1 ? fraction : null;
}
