import type { PieceLook } from "../../api/types";

/** Sides of a piece, and the coats of marks of a zone that are drawn one by one: one channel of the sheet each. */
export const sides = 5;
export const mostLayers = 4;
/** Texels of the sheet for each millimetre, where there is room, and in all. */
const mostPerMm = 10;
const mostTexels = 4_000_000;
export const sheetWidth = 2048;
const mostHeight = 4096;
/** Between two regions, so that none bleeds into its neighbour. */
const gap = 2;

type Mark = PieceLook["marks"][number];

const sideAt: Record<Mark["side"], number> = { front: 0, right: 1, back: 2, left: 3, top: 4 };
const shapeAt: Record<Mark["shape"], number> = { streak: 0, chip: 1, dot: 2, line: 3, band: 4 };

interface Region {
  /** Zone and side. */
  row: number;
  marks: { mark: Mark; aside: number; above: number }[];
  low: [number, number];
  high: [number, number];
  at: [number, number];
}

/**
 * Where the marks of a look lie on one sheet: a region for each side of each zone that has any, and a rectangle for each mark. The graphics
 * draw the sheet once; a point then asks it with one look, however many marks there are.
 */
export function sheetOf(look: Pick<PieceLook, "marks" | "box" | "zones">) {
  const regions = new Map<number, Region>();
  for (const mark of look.marks) {
    const row = mark.zone * sides + sideAt[mark.side];
    const turned = mark.angle === 0 ? 0 : Math.max(mark.width, mark.length);
    // A ragged border reaches farther than what is measured.
    const reach = mark.shape === "chip" ? 0.7 : 0.5;
    const aside = reach * Math.max(mark.width, turned);
    const above = reach * Math.max(mark.length, turned);
    const region = regions.get(row) ?? {
      row,
      marks: [],
      low: [Infinity, Infinity],
      high: [-Infinity, -Infinity],
      at: [0, 0],
    };
    region.low = [Math.min(region.low[0], mark.x - aside), Math.min(region.low[1], mark.y - above)];
    region.high = [Math.max(region.high[0], mark.x + aside), Math.max(region.high[1], mark.y + above)];
    region.marks.push({ mark, aside, above });
    regions.set(row, region);
  }
  const all = [...regions.values()].sort((a, b) => b.high[1] - b.low[1] - (a.high[1] - a.low[1]));
  const areaMm2 = all.reduce((n, r) => n + (r.high[0] - r.low[0]) * (r.high[1] - r.low[1]), 0);
  const widestMm = Math.max(1, ...all.map((r) => r.high[0] - r.low[0]));
  let perMm = Math.min(mostPerMm, Math.sqrt(mostTexels / Math.max(1, areaMm2)), (sheetWidth - 2 * gap) / widestMm);
  let height = laid(all, perMm);
  while (height > mostHeight) height = laid(all, (perMm *= 0.8));

  const rows = Math.max(1, look.zones.length * sides);
  const where = new Float32Array(rows * 2 * 4);
  const count = look.marks.length;
  const corners = new Float32Array(4 * count * 4);
  const shapes = new Float32Array(4 * count * 4);
  const kinds = new Float32Array(4 * count * 3);
  const index = new Uint32Array(6 * count);
  let next = 0;
  for (const r of all) {
    where.set([...r.at, (r.high[0] - r.low[0]) * perMm, (r.high[1] - r.low[1]) * perMm], r.row * 8);
    where.set([...r.low, perMm, 0], r.row * 8 + 4);
    for (const { mark, aside, above } of r.marks) {
      const turn = (mark.angle * Math.PI) / 180;
      for (const [k, [x, y]] of (
        [
          [-1, -1],
          [1, -1],
          [1, 1],
          [-1, 1],
        ] as const
      ).entries()) {
        const [du, dv] = [x * aside, y * above];
        const texel = [mark.x + du, mark.y + dv].map((mm, i) => r.at[i]! + (mm - r.low[i]!) * perMm);
        corners.set([(2 * texel[0]!) / sheetWidth - 1, (2 * texel[1]!) / height - 1, du, dv], 4 * (next * 4 + k));
        shapes.set([mark.width, mark.length, Math.cos(turn), Math.sin(turn)], 4 * (next * 4 + k));
        kinds.set([mark.seed, shapeAt[mark.shape], mark.layer], 3 * (next * 4 + k));
      }
      index.set(
        [0, 1, 2, 0, 2, 3].map((k) => next * 4 + k),
        6 * next++,
      );
    }
  }
  return { where, rows, height, perMm, corners, shapes, kinds, index };
}

/** Lays the regions out in rows, tallest first. Answers how tall the sheet is. */
function laid(all: Region[], perMm: number): number {
  let [x, y, tall] = [gap, gap, 0];
  for (const r of all) {
    const [w, h] = [0, 1].map((i) => Math.ceil((r.high[i]! - r.low[i]!) * perMm)) as [number, number];
    if (x + w + gap > sheetWidth) [x, y, tall] = [gap, y + tall + gap, 0];
    r.at = [x, y];
    x += w + gap;
    tall = Math.max(tall, h);
  }
  return Math.max(1, y + tall + gap);
}
