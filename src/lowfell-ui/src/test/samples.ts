import type { Coat, Family, Finding, Material } from "../api/types";
import { familyFacts } from "../api/words";

export const coat = (id: string, part: Partial<Coat> = {}): Coat => ({
  id,
  technique: "baseCoat",
  materialId: "tan",
  passes: 1,
  paintFraction: 0.75,
  dilutionForm: "parts",
  thinner: "water",
  hand: 1,
  hurried: false,
  optional: false,
  skipped: false,
  whileWet: false,
  wait: "recoatDry",
  known: [],
  note: "",
  ...part,
});

export const finding = (part: Partial<Finding> = {}): Finding => ({
  rule: "heavy-wash",
  title: "Heavy wash",
  aspect: "",
  severity: "risk",
  coatId: "a",
  gap: 0,
  what: "One generous wash.",
  why: "It pools.",
  mark: "m",
  ...part,
});

/** A material as far as stacks ask of it. */
export const material = (id: string, family: Family): Material =>
  ({
    id,
    material: { name: id, family },
    facts: { colour: "#888888", thinners: familyFacts(family).thinners },
  }) as unknown as Material;
