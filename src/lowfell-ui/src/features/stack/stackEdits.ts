import { newId } from "../../api/newId";
import type { Coat, Material, Technique } from "../../api/types";
import { familyFacts, techniqueFacts, techniqueGroups, usualFraction } from "../../api/words";

/** The coat done in another way: of what that is usually laid, thinned as that usually is, without what only the other way asks for. */
export function withTechnique(coat: Coat, technique: Technique, materials: Material[]): Coat {
  const facts = techniqueFacts(technique);
  const { materialId, mixId, marks, deposit: _deposit, ...bare } = coat;
  const paint = !facts.needsMaterial
    ? {}
    : mixId
      ? { mixId }
      : { materialId: proposedPaint(technique, materialId, materials) };
  const chosen = materials.find((m) => m.id === paint.materialId);
  const thinners = chosen?.facts.thinners ?? [];
  return {
    ...bare,
    ...paint,
    ...(facts.byMarks && marks ? { marks } : {}),
    technique,
    ...(paint.materialId !== materialId && thinners.length > 0 && !thinners.includes(coat.thinner)
      ? { thinner: thinners[0]! }
      : {}),
    paintFraction: usualFraction(technique, chosen?.material.family),
  };
}

/** Whether a coat primes: a covering coat of a primer. */
export const primes = (coat: Coat, materials: Material[]): boolean => {
  const of = materials.find((m) => m.id === coat.materialId);
  return of !== undefined && familyFacts(of.material.family).primes && techniqueFacts(coat.technique).covers;
};

/** What of a shelf does not prime. */
export const withoutPrimers = (materials: Material[]) =>
  materials.filter((m) => !familyFacts(m.material.family).primes);

/** Primers of the shelf that can be laid in a way: a can is sprayed, and what is brushed is not. */
const primersFor = (way: Technique, materials: Material[]) =>
  materials.filter(
    (m) => familyFacts(m.material.family).primes && techniqueFacts(way).suits.includes(m.material.family),
  );

/** The ways to prime from this shelf, that of the first primer first. */
export function primingWays(materials: Material[]): Technique[] {
  const covering = techniqueGroups.flatMap((g) => g.items).filter((t) => techniqueFacts(t).covers);
  return covering.filter((way) => primersFor(way, materials).length > 0);
}

/** The coat as a primer, laid in a way: the one in hand, the one that was last laid so, or the first there is. */
export function withPrimer(coat: Coat, technique: Technique, materials: Material[]): Coat {
  const primers = primersFor(technique, materials);
  const primer =
    primers.find((m) => m.id === coat.materialId) ??
    primers.find((m) => m.id === lastPaints()[technique]) ??
    primers[0];
  return primer ? { ...withMaterial({ ...coat, technique }, primer, materials), technique } : coat;
}

/** What is in hand where it suits; else the paint that was last used so, else the first of the most usual family. */
function proposedPaint(
  technique: Technique,
  now: string | undefined | null,
  materials: Material[],
): string | undefined {
  const suits = techniqueFacts(technique).suits;
  const fits = (m: Material | undefined) => m !== undefined && suits.includes(m.material.family);
  const current = materials.find((m) => m.id === now);
  if (fits(current)) return current!.id;
  const last = materials.find((m) => m.id === lastPaints()[technique]);
  if (fits(last)) return last!.id;
  const usual = suits.flatMap((f) => materials.filter((m) => m.material.family === f))[0];
  return (usual ?? current ?? materials[0])?.id;
}

const lastKey = "lowfell.lastPaints";

/** The paint that was last used with each technique. */
function lastPaints(): Partial<Record<Technique, string>> {
  try {
    return JSON.parse(localStorage.getItem(lastKey) ?? "{}") as Partial<Record<Technique, string>>;
  } catch {
    return {};
  }
}

/** Keeps in mind what a painter chose for a technique: it comes first next time. */
export function noteLast(coat: Coat) {
  if (!coat.materialId) return;
  try {
    localStorage.setItem(lastKey, JSON.stringify({ ...lastPaints(), [coat.technique]: coat.materialId }));
  } catch {
    // Without room for it the most usual comes first.
  }
}

/** The coat of another material: in the way that this proposes where the technique is not one for it; a can is not brushed. */
export function withMaterial(coat: Coat, material: Material, materials: Material[]): Coat {
  const { mixId: _mix, mixedTo: _mixedTo, ...bare } = coat;
  const family = material.material.family;
  const before = materials.find((m) => m.id === coat.materialId)?.material.family;
  const { proposed } = familyFacts(family);
  const technique = techniqueFacts(coat.technique).takes.includes(family) ? coat.technique : proposed;
  const sameKind = family === before && technique === coat.technique;
  const { thinners } = material.facts;
  return {
    ...bare,
    materialId: material.id,
    technique,
    paintFraction: sameKind ? coat.paintFraction : usualFraction(technique, family),
    thinner: thinners.includes(coat.thinner) ? coat.thinner : (thinners[0] ?? coat.thinner),
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

/** The coats with an answer "I know" to a finding, or without it. */
export function withKnown(
  coats: Coat[],
  { rule, coatId, aspect, mark }: { rule: string; coatId: string; aspect: string; mark: string },
  reason: string | null,
): Coat[] {
  return coats.map((c) => {
    if (c.id !== coatId) return c;
    const others = c.known.filter((k) => k.rule !== rule || k.aspect !== aspect);
    return { ...c, known: reason === null ? others : [...others, { rule, aspect, mark, reason }] };
  });
}

/** Whether two coats say the same; what the painter knows of them aside. */
export function sameCoat(a: Coat, b: Coat): boolean {
  const { known: _a, ...one } = a;
  const { known: _b, ...other } = b;
  const keys = new Set([...Object.keys(one), ...Object.keys(other)]) as Set<keyof typeof one>;
  return [...keys].every((k) => JSON.stringify(one[k] ?? null) === JSON.stringify(other[k] ?? null));
}

/** The varnish that a bare barrier is made of: satin, water-borne where there is one. */
export function barrierMaterial(materials: Material[]): Material | undefined {
  const varnishes = materials.filter(
    (m) => m.material.family === "varnishWater" || m.material.family === "varnishLacquer",
  );
  return (
    varnishes.find((m) => m.facts.sheen === "satin" && m.material.family === "varnishWater") ??
    varnishes.find((m) => m.facts.sheen === "satin") ??
    varnishes[0]
  );
}

/** What a painter typed, as the fraction of paint; null where it says nothing. */
export function paintFractionOf(form: Coat["dilutionForm"], a: number, b: number): number | null {
  const fraction = form === "parts" ? a / (a + b) : form === "thinnerOfWhole" ? 1 - a / 100 : 1 / (1 + a / 100);
  return Number.isFinite(fraction) && fraction > 0 && fraction <= 1 ? fraction : null;
}
