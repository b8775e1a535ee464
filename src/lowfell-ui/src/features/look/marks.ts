import type { PieceLook } from "../../api/types";

// As the host's own renderer sorts them (Lowfell.Core, MarkIndex).

/** Cells of a side across and up, sides, texels of a mark. */
export const cellsAcross = 96;
export const cellsUp = 64;
export const sides = 5;
export const texels = 2;
/** Most coats of marks of a zone, and most marks of a cell. */
export const mostLayers = 4;
export const mostInCell = 48;
/** Marks in a row of their texture. */
export const marksInRow = 256;

const sideAt: Record<PieceLook["marks"][number]["side"], number> = { front: 0, right: 1, back: 2, left: 3, top: 4 };
const shapeAt: Record<PieceLook["marks"][number]["shape"], number> = { streak: 0, chip: 1, dot: 2, line: 3, band: 4 };

/** The marks of a look as two textures: where those of a zone, side and cell begin and how many there are; and they themselves, cell by cell. */
export function sorted(look: Pick<PieceLook, "marks" | "box" | "zones">) {
  const rows = Math.max(1, look.zones.length * sides) * cellsUp;
  const { low, high } = look.box;
  const wide = [0, 1, 0, 1, 0].map((axis) => Math.max(0.01, high[axis]! - low[axis]!));
  const tall = [0, 1, 2, 3, 4].map((side) => Math.max(0.01, side === 4 ? high[1]! - low[1]! : high[2]!));
  const lists: PieceLook["marks"][] = Array.from({ length: rows * cellsAcross }, () => []);
  const cell = (at: number, of: number, count: number) =>
    Math.max(0, Math.min(count - 1, Math.floor((at / of) * count)));
  for (const mark of look.marks) {
    const side = sideAt[mark.side];
    const turned = mark.angle === 0 ? 0 : Math.max(mark.width, mark.length);
    // A ragged border reaches farther than what is measured.
    const reach = mark.shape === "chip" ? 0.7 : 0.5;
    const aside = reach * Math.max(mark.width, turned);
    const above = reach * Math.max(mark.length, turned);
    const column = (x: number) => cell(x, wide[side]!, cellsAcross);
    const row = (y: number) => cell(y, tall[side]!, cellsUp);
    for (let y = row(mark.y - above); y <= row(mark.y + above); y++)
      for (let x = column(mark.x - aside); x <= column(mark.x + aside); x++) {
        const list = lists[((mark.zone * sides + side) * cellsUp + y) * cellsAcross + x]!;
        if (list.length < mostInCell) list.push(mark);
      }
  }
  const count = lists.reduce((n, l) => n + l.length, 0);
  const lines = Math.max(1, Math.ceil(count / marksInRow));
  const where = new Float32Array(rows * cellsAcross * 4);
  const marks = new Float32Array(marksInRow * lines * texels * 4);
  let next = 0;
  lists.forEach((list, i) => {
    where.set([next, list.length], 4 * i);
    for (const m of list) {
      const turn = (m.angle * Math.PI) / 180;
      const of = [m.x, m.y, m.width, m.length, Math.cos(turn), Math.sin(turn), m.seed, shapeAt[m.shape] + 8 * m.layer];
      marks.set(of, 4 * texels * next++);
    }
  });
  return { where, rows, marks, lines, count: look.marks.length };
}
