import type { PieceLook } from "../../api/types";

// As the host's own renderer sorts them (Lowfell.Core, MarkIndex).

/** Strips of a side, sides, texels of a mark. */
export const strips = 24;
export const sides = 5;
export const texels = 3;
/** Most coats of marks of a zone, and most marks of a strip. */
export const mostLayers = 4;
export const mostInStrip = 96;
/** Marks in a row of their texture. */
export const marksInRow = 256;

const sideAt: Record<PieceLook["marks"][number]["side"], number> = { front: 0, right: 1, back: 2, left: 3, top: 4 };
const shapeAt: Record<PieceLook["marks"][number]["shape"], number> = { streak: 0, chip: 1, dot: 2, line: 3, band: 4 };

/** The marks of a look as two textures: where those of a zone, side and strip begin and how many there are; and they themselves, strip by strip. */
export function sorted(look: Pick<PieceLook, "marks" | "box" | "zones">) {
  const rows = Math.max(1, look.zones.length * sides);
  const across = [0, 1, 0, 1, 0].map((axis) => Math.max(0.01, look.box.high[axis]! - look.box.low[axis]!));
  const lists: PieceLook["marks"][] = Array.from({ length: rows * strips }, () => []);
  for (const mark of look.marks) {
    const side = sideAt[mark.side];
    const strip = (x: number) => Math.max(0, Math.min(strips - 1, Math.floor((x / across[side]!) * strips)));
    const reach = 0.75 * Math.max(mark.width, mark.angle === 0 ? mark.width : mark.length);
    for (let s = strip(mark.x - reach); s <= strip(mark.x + reach); s++) {
      const list = lists[(mark.zone * sides + side) * strips + s]!;
      if (list.length < mostInStrip) list.push(mark);
    }
  }
  const count = lists.reduce((n, l) => n + l.length, 0);
  const tall = Math.max(1, Math.ceil(count / marksInRow));
  const where = new Float32Array(rows * strips * 4);
  const marks = new Float32Array(marksInRow * tall * texels * 4);
  let next = 0;
  lists.forEach((list, i) => {
    where.set([next, list.length], 4 * i);
    for (const m of list) {
      const turn = (m.angle * Math.PI) / 180;
      const of = [
        m.x,
        m.y,
        m.width,
        m.length,
        Math.cos(turn),
        Math.sin(turn),
        m.seed,
        shapeAt[m.shape],
        m.layer,
        0,
        0,
        0,
      ];
      marks.set(of, 4 * texels * next++);
    }
  });
  return { where, rows, marks, tall, count: look.marks.length };
}
