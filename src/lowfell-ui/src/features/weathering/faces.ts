import type { WeatheringDraft, WeatheringView } from "../../api/types";

export type Mark = WeatheringView["answer"]["marks"][number]["marks"][number];
type Side = Mark["side"];

/** So near the end of a side no mark is put, mm. */
const clearMm = 1;
const gapMm = 6;
/** The least that letters measure, and how many of them the width of the drawing holds where it is wide, mm. */
const leastLetterMm = 2.4;
const lettersAcross = 105;

/** Width of a side, mm, and its height. */
export function sizeOf(view: Pick<WeatheringView, "lengthMm" | "widthMm" | "heightMm">, side: Side): [number, number] {
  return [
    side === "left" || side === "right" ? view.widthMm : view.lengthMm,
    side === "top" ? view.widthMm : view.heightMm,
  ];
}

/** Sides that anything lies on. */
export function sidesOf(view: WeatheringView): Side[] {
  const used = new Set<Side>(["front"]);
  for (const z of view.zones) for (const p of z.parts) used.add(p.side);
  for (const l of view.plan.letters ?? []) used.add(l.side);
  return (["front", "right", "back", "left", "top"] as const).filter((s) => used.has(s));
}

/**
 * The sides that have zones or marks, beside each other, the top over the front; the name of each stands under it, in
 * letters that grow with the drawing unless it is shown as large as the piece is.
 */
export function layout(view: WeatheringView, trueSize = false) {
  const used = sidesOf(view);
  const around = used.filter((s) => s !== "top");
  const top = used.includes("top");
  const [, topUp] = sizeOf(view, "top");
  const faces: { side: Side; x: number; y: number; across: number; up: number }[] = [];
  let x = 0.5;
  for (const side of around) {
    const [across, up] = sizeOf(view, side);
    faces.push({ side, x, y: 0.5, across, up });
    x += across + gapMm;
  }
  const width = Math.max(view.lengthMm + 1, x - gapMm + 0.5);
  const letterMm = trueSize ? leastLetterMm : Math.max(leastLetterMm, width / lettersAcross);
  const nameMm = 1.2 * letterMm;
  // To the line that the name stands on, then what hangs under it.
  const wordMm = Math.max(6, 1.6 * nameMm + 1);
  const down = top ? topUp + wordMm : 0;
  for (const face of faces) face.y += down;
  if (top) faces.push({ side: "top", x: 0.5, y: 0.5, across: view.lengthMm, up: topUp });
  return {
    faces,
    width,
    letterMm,
    nameMm,
    height: down + view.heightMm + wordMm,
  };
}

/** A mark that stays on its side. */
export function spot(view: WeatheringView, mark: Mark): Mark {
  const [across, up] = sizeOf(view, mark.side);
  const round = (n: number) => Math.round(n * 10) / 10;
  return {
    ...mark,
    xMm: round(Math.min(across - clearMm, Math.max(clearMm, mark.xMm))),
    yMm: round(Math.min(up, Math.max(0, mark.yMm))),
  };
}

/** The plan with the marks of an entry on a copy as they are put by hand. */
export function heldWith(plan: WeatheringDraft, entryId: string, copy: number, marks: Mark[]): WeatheringDraft {
  return {
    ...plan,
    entries: plan.entries.map((e) =>
      e.id === entryId ? { ...e, held: [...(e.held ?? []).filter((h) => h.copy !== copy), { copy, marks }] } : e,
    ),
  };
}

/** A row of cells as runs of one tone: where each begins, how many cells it has, and its tone. */
export function runs(row: string): { from: number; cells: number; tone: number }[] {
  return [...row.matchAll(/(\d)\1*/g)].map((m) => ({ from: m.index, cells: m[0].length, tone: Number(m[1]) }));
}
