import type { components } from "./schema";

type Schemas = components["schemas"];

/** The server writes every field that has a value: only those that may be null can be missing. */
export type Full<T> = T extends (infer U)[] ? Full<U>[] : T extends object ? FullObject<Told<T>> : T;

type FullObject<T> = { [K in keyof T as null extends T[K] ? never : K]-?: Full<Exclude<T[K], undefined>> } & {
  [K in keyof T as null extends T[K] ? K : never]?: Full<Exclude<T[K], undefined>>;
};

/** What a coat says of its dilution may be left out when it is asked about; an answer always tells it. */
type Told<T> = T extends { dilutionForm?: unknown }
  ? Omit<T, "paintFraction" | "thinner"> & { paintFraction?: number; thinner?: Schemas["Thinner"] }
  : T;

export type Coat = Full<Schemas["CoatDraft"]>;
export type Technique = Schemas["Technique"];
export type Craft = Full<Schemas["CraftView"]>;
export type TechniqueFacts = Full<Schemas["TechniqueView"]>;
export type FamilyFacts = Full<Schemas["FamilyView"]>;
export type School = Full<Schemas["School"]>;
export type SchoolEffects = Full<Schemas["SchoolEffectsView"]>;
export type Outcome = Full<Schemas["OutcomeView"]>;
export type Cost = Full<Schemas["CostView"]>;
export type Mend = Full<Schemas["MendView"]>;
export type MendedAll = Full<Schemas["MendedAllView"]>;
export type PieceFinding = Full<Schemas["PieceFindingView"]>;
export type PieceJudgement = Full<Schemas["PieceJudgement"]>;
export type Wait = Full<Schemas["WaitView"]>;
export type PlanFinding = Full<Schemas["PlanFinding"]>;
export type CopyCost = Full<Schemas["CopyCostView"]>;
export type Thinner = Schemas["Thinner"];
export type DilutionForm = Schemas["DilutionForm"];
export type Family = Schemas["Family"];
export type Sheen = Schemas["Sheen"];
export type Severity = Schemas["Severity"];
export type ZoneDraft = Full<Schemas["ZoneDraft"]>;
export type ZonePage = Full<Schemas["ZonePage"]>;
export type ZoneSettings = Full<Schemas["ZoneSettings"]>;
export type Scheme = Full<Schemas["SchemeView"]>;
export type SchemeSummary = Full<Schemas["SchemeSummary"]>;
export type Schools = Full<Schemas["Schools"]>;
export type Bench = Full<Schemas["BenchView"]>;
export type Preview = Full<Schemas["StackPreview"]>;
export type Stratum = Full<Schemas["StratumView"]>;
export type HeightColour = Full<Schemas["HeightView"]>;
export type CoatMix = Full<Schemas["CoatMixView"]>;
export type Finding = Full<Schemas["FindingView"]>;
export type Help = Full<Schemas["HelpView"]>;
export type SetDraft = Full<Schemas["SetDraft"]>;
export type SetView = Full<Schemas["SetView"]>;
export type SetCard = Full<Schemas["SetCard"]>;
export type PiecePage = Full<Schemas["PiecePage"]>;
export type ZoneName = Full<Schemas["ZoneName"]>;
export type Found = Full<Schemas["Found"]>;
export type FoundEntry = Full<Schemas["FoundEntry"]>;
export type BinItem = Full<Schemas["BinItem"]>;
export type SchemeVersion = Full<Schemas["SchemeVersion"]>;
export type PieceView = Full<Schemas["PieceView"]>;
export type PieceDraft = Full<Schemas["PieceDraft"]>;
export type ZoneView = Full<Schemas["ZoneView"]>;
export type SampleStratum = Full<Schemas["SampleStratum"]>;
export type Material = Full<Schemas["MaterialView"]>;
export type MaterialDraft = Full<Schemas["MaterialDraft"]>;
export type Swatch = Full<Schemas["SwatchView"]>;
export type Mix = Full<Schemas["MixView"]>;
export type MixDraft = Full<Schemas["MixDraft"]>;
export type MixComponent = Full<Schemas["MixComponentDraft"]>;
export type MixPreview = Full<Schemas["MixPreview"]>;
export type MixSheet = Full<Schemas["MixSheet"]>;
export type MixRecord = Full<Schemas["MixRecordView"]>;
export type MixAgain = Full<Schemas["MixAgainView"]>;
export type Ratio = Full<Schemas["RatioView"]>;
export type Bottle = Full<Schemas["BottleView"]>;
export type BottleDraft = Full<Schemas["BottleDraft"]>;
export type Stripe = Full<Schemas["StripeView"]>;
export type StripeDraft = Full<Schemas["StripeDraft"]>;
export type ImportRow = Full<Schemas["ImportRowView"]>;
export type ImportResult = Full<Schemas["ImportResult"]>;
export type Amounts = Full<Schemas["AmountsView"]>;
export type AmountsRequest = Full<Schemas["AmountsRequest"]>;
export type CoatAmount = Full<Schemas["CoatAmountView"]>;
export type Need = Full<Schemas["NeedView"]>;
export type TileDraft = Full<Schemas["TileDraft"]>;
export type Tile = Full<Schemas["TileView"]>;
export type TilePreview = Full<Schemas["TilePreview"]>;
export type Painted = Full<Schemas["PaintedView"]>;
export type Match = Full<Schemas["MatchView"]>;
export type Calendar = Full<Schemas["CalendarView"]>;
export type Plan = Full<Schemas["PlanView"]>;
export type PlanRequest = Full<Schemas["PlanRequest"]>;
export type PlannedEvening = Full<Schemas["PlannedEvening"]>;
export type PlannedStep = Full<Schemas["PlannedStep"]>;
export type WhatIf = Full<Schemas["WhatIf"]>;
export type LogEntry = Full<Schemas["LogEntry"]>;
export type FirstCopy = Schemas["FirstCopyView"];
export type LogKind = Schemas["LogKind"];
export type WorkedWith = Schemas["LogEntry"]["ticks"][number];
export type LogAction = Full<Schemas["LogAction"]>;
export type HeldPlan = Full<Schemas["KeptPlanView"]>;
export type PlanSummary = Full<Schemas["PlanSummary"]>;
export type Learned = Full<Schemas["Learned"]>;
export type Solve = Full<Schemas["SolveView"]>;
export type SolveStage = Schemas["SolveStage"];
export type ZoneProgress = Full<Schemas["ZoneProgress"]>;
export type PieceRequest = Full<Schemas["PieceRequest"]>;

/** What is asked about a mix beside its recipe: the ground that it is shown over, and how much of it. */
export interface MixWish {
  ground: string;
  totalMl: number;
}
export type PieceLook = Full<Schemas["PieceLook"]>;
export type BoardView = Full<Schemas["BoardView"]>;
export type WeatheringView = Full<Schemas["WeatheringView"]>;
export type WeatheringDraft = WeatheringView["plan"];
export type MarkEntry = WeatheringDraft["entries"][number];
export type EntryView = WeatheringView["answer"]["entries"][number];
export type BoardPiece = BoardView["pieces"][number];
export type PieceStairs = Full<Schemas["PieceStairs"]>;
export type SightChange = Schemas["SightChange"];
export type Symptom = Full<Schemas["SymptomView"]>;
export type MendCase = Full<Schemas["CaseView"]>;
export type CaseQuestion = Schemas["CaseQuestion"];
export type Repair = Full<Schemas["RepairTaken"]>;
export type PieceSight = Full<Schemas["PieceSight"]>;
export type Tray = Full<Schemas["TrayView"]>;
export type TrayBase = Full<Schemas["BaseView"]>;
export type TrayCopy = Full<Schemas["TrayCopyDraft"]>;
export type BaseElement = Full<Schemas["ElementDraft"]>;
export type BaseFamily = Full<Schemas["BaseFamilyDraft"]>;
export type BaseFamilyRow = Full<Schemas["BaseFamilyView"]>;
export type ElementBox = Full<Schemas["BoxView"]>;
export type CrackleQuestion = Schemas["CrackleQuestion"];
export type CrackleTile = Schemas["CrackleTileDraft"];
export type DustRequest = Schemas["DustRequest"];
export type TraySteps = Full<Schemas["TrayStepsView"]>;
export type TrayRoll = Full<Schemas["RollView"]>;
export type OpenGround = Schemas["MaskView"];
