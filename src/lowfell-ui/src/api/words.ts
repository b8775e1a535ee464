import type { Craft, DilutionForm, Family, FamilyFacts, Sheen, Technique, TechniqueFacts, Thinner } from "./types";

/** The painter's words for the API's terms; all of them come from the host's tables. */
export const techniqueWord = {} as Record<Technique, string>;
export const thinnerWord = {} as Record<Thinner, string>;
export const sheenWord = {} as Record<Sheen, string>;
export const familyWord = {} as Record<Family, string>;
export const substrateWord: Record<string, string> = {};
export const techniqueGroups: { label: string; items: Technique[] }[] = [];

let known: Craft | null = null;
const techniques = new Map<Technique, TechniqueFacts>();
const families = new Map<Family, FamilyFacts>();

/** Takes the host's tables in, once, before anything is drawn. */
export function learn(craft: Craft) {
  known = craft;
  techniqueGroups.length = 0;
  for (const t of craft.techniques) {
    techniques.set(t.technique, t);
    techniqueWord[t.technique] = t.label;
    const group = techniqueGroups.find((g) => g.label === t.group);
    if (group) group.items.push(t.technique);
    else techniqueGroups.push({ label: t.group, items: [t.technique] });
  }
  for (const f of craft.families) {
    families.set(f.family, f);
    familyWord[f.family] = f.label;
  }
  for (const s of craft.substrates) substrateWord[s.substrate] = s.word;
  for (const t of craft.thinners) thinnerWord[t.thinner] = t.word;
  for (const s of craft.sheens) sheenWord[s.sheen] = s.word;
}

/** The host's tables. */
export const craft = (): Craft => known!;

export const techniqueFacts = (technique: Technique): TechniqueFacts => techniques.get(technique)!;

export const familyFacts = (family: Family): FamilyFacts => families.get(family)!;

/** What is used as it comes is not thinned. */
export const takesThinner = (technique: Technique): boolean => techniqueFacts(technique).thins;

/** Paint fraction that a technique usually takes of a family. */
export function usualFraction(technique: Technique, family: Family | undefined): number {
  const facts = techniqueFacts(technique);
  return (family && facts.usualOf[family]) ?? facts.usual;
}

export const dilutionFormWord: Record<DilutionForm, string> = {
  parts: "parts",
  thinnerOfWhole: "% of the whole",
  thinnerAdded: "% added",
};

/** `1.5` or `12`, never `12.0`. */
export const number = (value: number, digits = 1): string => value.toFixed(digits).replace(/\.0+$/, "");

/** Millilitres as painters read them. */
export const millilitres = (ml: number): string => (ml > 0 && ml < 0.05 ? "under 0.1 ml" : `${number(ml)} ml`);

/** Square millimetres as painters read them. */
export const area = (mm2: number): string => `${number(mm2 / 100, mm2 < 1000 ? 1 : 0)} cm²`;

/** Minutes as painters read them. */
export const duration = (minutes: number): string =>
  minutes < 90
    ? `${Math.max(1, Math.round(minutes))} min`
    : minutes < 48 * 60
      ? `${number(minutes / 60, 1)} h`
      : `${number(minutes / 1440, 1)} days`;
