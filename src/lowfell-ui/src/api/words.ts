import type { components } from "./schema";
import { inWords } from "./units";
import type {
  Coat,
  Craft,
  DilutionForm,
  Family,
  PaintColumn,
  Tool,
  FamilyFacts,
  LogKind,
  WorkedWith,
  PieceDraft,
  Sheen,
  SolveStage,
  Technique,
  TechniqueFacts,
  Thinner,
  Wait,
  ZoneDraft,
  ZoneSettings,
} from "./types";

/** The painter's words for the API's terms; all of them come from the host's tables. */
export const techniqueWord = {} as Record<Technique, string>;
export const thinnerWord = {} as Record<Thinner, string>;
export const sheenWord = {} as Record<Sheen, string>;
export const familyWord = {} as Record<Family, string>;
export const substrateWord = {} as Record<ZoneDraft["substrate"], string>;
export const reliefWord = {} as Record<ZoneDraft["relief"], string>;
export const facingWord = {} as Record<ZoneDraft["facing"], string>;
export const fittingWord = {} as Record<ZoneSettings["fitting"], string>;
export const shapeWord = {} as Record<PieceDraft["shape"], string>;
export const dilutionFormWord = {} as Record<DilutionForm, string>;
export const bearsWord = {} as Record<components["schemas"]["Bears"], string>;
export const leastWaitWord = {} as Record<Coat["wait"], string>;
export const waitedForWord = {} as Record<Wait["kind"], string>;
export const logKindWord = {} as Record<LogKind, string>;
export const workedWithWord = {} as Record<WorkedWith, string>;
export const solveStageWord = {} as Record<SolveStage, string>;
export const stanceWord = {} as Record<components["schemas"]["Stance"], string>;
export const baseShapeWord = {} as Record<components["schemas"]["BaseShape"], string>;
export const elementKindWord = {} as Record<components["schemas"]["ElementKind"], string>;
export const textureWord = {} as Record<"crackle" | "coarse" | "fine" | "sand" | "skim", string>;
export const crackleGroundWord = {} as Record<components["schemas"]["CrackleGround"], string>;
export const dustFromWord = {} as Record<components["schemas"]["DustFrom"], string>;
export const standInKindWord = {} as Record<components["schemas"]["StandInKind"], string>;
export const lampWord = {} as Record<components["schemas"]["Lamp"], string>;
export const sightRoomWord = {} as Record<components["schemas"]["SightRoom"], string>;
export const eyesWord = {} as Record<components["schemas"]["Eyes"], string>;
export const sightWord = {} as Record<components["schemas"]["SightWord"], string>;
export const sightVerdictWord = {} as Record<components["schemas"]["SightVerdict"], string>;
export const finishWord = {} as Record<NonNullable<components["schemas"]["Finish"]>, string>;
export const boardSideWord = {} as Record<components["schemas"]["BoardSide"], string>;
export const partMovesWord = {} as Record<components["schemas"]["PartMoves"], string>;
export const datumKindWord = {} as Record<components["schemas"]["DatumKind"], string>;
export const levelStateWord = {} as Record<components["schemas"]["LevelState"], string>;
export const markKindWord = {} as Record<components["schemas"]["MarkKind"], string>;
export const markHostWord = {} as Record<components["schemas"]["MarkHost"], string>;
export const markSideWord = {} as Record<components["schemas"]["MarkSide"], string>;
export const weatherAgeWord = {} as Record<components["schemas"]["WeatherAge"], string>;
export const wentThroughWord = {} as Record<components["schemas"]["HistoryDraft"]["went"][number], string>;
export const thrownByWord = {} as Record<components["schemas"]["HistoryDraft"]["thrown"], string>;
export const letteredByWord = {} as Record<components["schemas"]["LetteringDraft"]["by"], string>;
export const widthVerdictWord = {} as Record<components["schemas"]["WidthVerdict"], string>;
export const sightKindWord = {} as Record<components["schemas"]["SightKind"], string>;
export const toolWord = {} as Record<Tool, string>;
export const paintColumnWord = {} as Record<PaintColumn, string>;
export const paintingTimesWord = {} as Record<components["schemas"]["BeginRequest"]["times"] & string, string>;
export const fillingWord = {} as Record<components["schemas"]["Filling"], string>;
export const thingKindWord = {} as Record<components["schemas"]["ReadySchemeView"]["suits"][number], string>;
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
  const { words } = craft;
  Object.assign(reliefWord, words.relief);
  Object.assign(facingWord, words.facing);
  Object.assign(fittingWord, words.fitting);
  Object.assign(shapeWord, words.pieceShape);
  Object.assign(dilutionFormWord, words.dilutionForm);
  Object.assign(bearsWord, words.bears);
  Object.assign(leastWaitWord, words.wait);
  Object.assign(waitedForWord, words.waitKind);
  Object.assign(logKindWord, words.logKind);
  Object.assign(workedWithWord, words.workedWith);
  Object.assign(solveStageWord, words.solveStage);
  Object.assign(stanceWord, words.stance);
  Object.assign(baseShapeWord, words.baseShape);
  Object.assign(elementKindWord, words.elementKind);
  Object.assign(textureWord, words.texture);
  Object.assign(crackleGroundWord, words.crackleGround);
  Object.assign(dustFromWord, words.dustFrom);
  Object.assign(standInKindWord, words.standInKind);
  Object.assign(lampWord, words.lamp);
  Object.assign(markKindWord, words.markKind);
  Object.assign(markHostWord, words.markHost);
  Object.assign(markSideWord, words.markSide);
  Object.assign(weatherAgeWord, words.weatherAge);
  Object.assign(wentThroughWord, words.wentThrough);
  Object.assign(thrownByWord, words.thrownBy);
  Object.assign(letteredByWord, words.letteredBy);
  Object.assign(widthVerdictWord, words.widthVerdict);
  Object.assign(sightRoomWord, words.sightRoom);
  Object.assign(eyesWord, words.eyes);
  Object.assign(sightWord, words.sightWord);
  Object.assign(sightVerdictWord, words.sightVerdict);
  Object.assign(sightKindWord, words.sightKind);
  Object.assign(finishWord, words.finish);
  Object.assign(boardSideWord, words.boardSide);
  Object.assign(partMovesWord, words.partMoves);
  Object.assign(datumKindWord, words.datumKind);
  Object.assign(levelStateWord, words.levelState);
  Object.assign(toolWord, words.tool);
  Object.assign(paintColumnWord, words.paintColumn);
  Object.assign(paintingTimesWord, words.paintingTimes);
  Object.assign(fillingWord, words.filling);
  Object.assign(thingKindWord, words.thingKind);
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

/** What can be chosen, in the painter's words. */
export const choices = <T extends string>(words: Record<T, string>) =>
  (Object.entries(words) as [T, string][]).map(([value, label]) => ({ value, label }));

/** `1.5` or `12`, never `12.0`. */
export const number = (value: number, digits = 1): string => inWords(value.toFixed(digits).replace(/\.0+$/, ""));

/** Minutes as painters read them. */
export const duration = (minutes: number): string =>
  minutes < 90
    ? `${Math.max(1, Math.round(minutes))} min`
    : minutes < 48 * 60
      ? `${number(minutes / 60, 1)} h`
      : `${number(minutes / 1440, 1)} days`;

export { area, millilitres } from "./units";

const differenceOf = (deltaE: number) => {
  const all = craft().differences;
  return all.find((d) => deltaE <= d.upTo) ?? all.at(-1)!;
};

/** Whether a difference is more than the same at arm's length. */
export const isUnlike = (deltaE: number) => differenceOf(deltaE).unlike;

/** A difference of colour in words: "the same to the eye", "clearly off"; against something, "a shade off the target". */
export function offWords(deltaE: number, from = ""): string {
  const { word, unlike } = differenceOf(deltaE);
  return [word, unlike ? "off" : from && "as", from].filter(Boolean).join(" ");
}

/** The same with its figure behind: "clearly off (6.1 dE)". */
export const offFigure = (deltaE: number, from = "") => `${offWords(deltaE, from)} (${number(deltaE)} dE)`;

/** What a coat is, at the start of a line: a covering coat of a primer primes, however it is laid. */
export const coatTitle = (technique: Technique, family: Family | undefined) =>
  family && familyFacts(family).primes && techniqueFacts(technique).covers ? craft().prime : techniqueWord[technique];
