import type { BaseElement, Tray, TrayBase } from "../api/types";

export const slate: BaseElement = {
  boxId: "box-slate",
  name: "slate M",
  kind: "slate",
  seed: 7,
  lengthMm: 10,
  widthMm: 6,
  heightMm: 3,
  x: 2,
  y: 5,
  angleDeg: 30,
  cluster: 0,
  heart: true,
  locked: false,
  overhangMm: 0,
  insteadOf: "",
};

export const noTakes: Tray["takes"] = {
  pasteMl: 0,
  crackleMl: 0,
  coarseG: 0,
  fineG: 0,
  sandG: 0,
  pvaMl: 0,
  sealMl: 0,
  superGlueDrops: 0,
};

/** A base of a tray, with one slate on it. */
export const baseOf = (copy: number, part: Partial<TrayBase> = {}): TrayBase => ({
  copy,
  kept: {
    form: { shape: "round", lengthMm: 25, widthMm: 25, bevelMm: 1, heightMm: 3.2 },
    figure: {
      stance: "twoFeet",
      landingMm: 7,
      landingWidthMm: 3.6,
      spreadMm: 8.4,
      axlesMm: 0,
      atXMm: 0,
      atYMm: -0.8,
      hemMm: 5.5,
      overhangMm: 6,
      hullFree: true,
      weightG: 0,
      centreMm: 0,
    },
    seed: copy,
    elements: [slate],
    locked: false,
  },
  word: "25 mm round",
  elements: [
    {
      element: slate,
      outline: [
        { x: -3, y: 2 },
        { x: 7, y: 2 },
        { x: 7, y: 8 },
        { x: -3, y: 8 },
      ],
      standsAtMm: 1.2,
      fault: "",
    },
  ],
  landings: [
    {
      name: "left foot",
      outline: [
        { x: -5, y: 0 },
        { x: -3, y: 0 },
        { x: -4, y: 3 },
      ],
      mm: 0.9,
    },
  ],
  free: [
    {
      name: "hem",
      outline: [
        { x: -6, y: 0 },
        { x: 6, y: 0 },
        { x: 0, y: 6 },
      ],
      mm: 5.5,
    },
  ],
  marginMm: 1.5,
  score: 1.2,
  calm: 0.62,
  resemblance: 0.83,
  shares: [0.14, 0.16, 0.3, 0.28, 0.12],
  marks: [],
  notes: [],
  takes: { ...noTakes, pasteMl: 0.4, superGlueDrops: 3 },
  picture: `mark${copy}`,
  ground: "#6b563f",
  laid: false,
  ...part,
});

/** A tray of bases in one row. */
export const trayOf = (bases: TrayBase[], part: Partial<Tray> = {}): Tray => ({
  id: "tray",
  version: 1,
  pieceId: "piece",
  familyId: "family",
  family: "Salt crust",
  bases,
  rows: [bases.map((b) => b.copy)],
  differences: [],
  leastDifference: 0.4,
  meanDifference: 0.55,
  takes: { ...noTakes, pasteMl: 16.4, coarseG: 3.8, superGlueDrops: 70 },
  boxes: [{ boxId: "box-slate", name: "slate M", kind: "slate", count: 22, used: 6, short: 0 }],
  lacking: [],
  scale: 56,
  ...part,
});
