import type { BoardPiece, BoardView } from "../../api/types";

type Board = BoardView["board"];
export type Standing = Board["copies"][number];

const snapMm = 8;
const gridMm = 5;
const toGrid = (mm: number) => Math.round(mm / gridMm) * gridMm;

/** Length, width and height of a piece on its board. */
export function sizeOf(board: Board, piece: BoardPiece) {
  const own = board.pieces.find((p) => p.pieceId === piece.id);
  return {
    lengthMm: own?.lengthMm ?? piece.lengthMm,
    widthMm: own?.widthMm ?? piece.widthMm,
    heightMm: own?.heightMm ?? piece.heightMm,
  };
}

/** Half of what a copy takes up of the board each way, mm. */
export function halfOf(board: Board, pieces: BoardPiece[], copy: Standing) {
  const piece = pieces.find((p) => p.id === copy.pieceId);
  if (!piece) return { x: 0, y: 0 };
  const size = sizeOf(board, piece);
  const [along, across] = [(size.lengthMm * Math.cos((copy.tiltDeg * Math.PI) / 180)) / 2, size.widthMm / 2];
  return copy.turn % 2 === 0 ? { x: along, y: across } : { x: across, y: along };
}

/** Where a copy comes to lie that is let go at a place: against its neighbours, in line with them, or on the grid. */
export function snapped(board: Board, pieces: BoardPiece[], copy: Standing, at: { x: number; y: number }) {
  const half = halfOf(board, pieces, copy);
  const others = board.copies
    .filter((c) => c.id !== copy.id)
    .map((c) => ({ x: c.xMm, y: c.yMm, half: halfOf(board, pieces, c) }));
  const near = (way: "x" | "y") => {
    const places = others.flatMap((o) => [
      o[way] - o.half[way] - half[way],
      o[way] + o.half[way] + half[way],
      o[way] - o.half[way] + half[way],
      o[way] + o.half[way] - half[way],
      o[way],
    ]);
    const best = places.toSorted((a, b) => Math.abs(a - at[way]) - Math.abs(b - at[way]))[0];
    return best !== undefined && Math.abs(best - at[way]) <= snapMm ? best : toGrid(at[way]);
  };
  return { xMm: near("x"), yMm: near("y") };
}

/** The next copy of a piece that is not on the board yet: to the right of what stands there last. */
export function next(board: Board, pieces: BoardPiece[], piece: BoardPiece, id: string): Standing | undefined {
  const taken = new Set(board.copies.filter((c) => c.pieceId === piece.id).map((c) => c.copy));
  const copy = Array.from({ length: piece.copies }, (_, i) => i + 1).find((n) => !taken.has(n));
  if (copy === undefined) return undefined;
  const fresh = { id, pieceId: piece.id, copy, xMm: 0, yMm: 0, turn: 0, onMm: 0, tiltDeg: 0 };
  const last = board.copies.at(-1);
  const half = halfOf(board, pieces, fresh);
  if (!last) return { ...fresh, xMm: half.x, yMm: half.y };
  const beside = halfOf(board, pieces, last);
  return { ...fresh, xMm: last.xMm + beside.x + half.x, yMm: last.yMm - beside.y + half.y };
}

/** The copies that stand end to end with one, from the left. */
export function rowOf(view: BoardView, id: string): string[] {
  const beside = (of: string, side: "left" | "right") => {
    const other = side === "left" ? "right" : "left";
    for (const j of view.answer.joins) {
      if (j.a === of && j.aSide === side && j.bSide === other) return j.b;
      if (j.b === of && j.bSide === side && j.aSide === other) return j.a;
    }
    return undefined;
  };
  const row = [id];
  // What goes round ends where it began.
  for (let at = beside(id, "left"); at && !row.includes(at); at = beside(at, "left")) row.unshift(at);
  for (let at = beside(id, "right"); at && !row.includes(at); at = beside(at, "right")) row.push(at);
  return row;
}

/** What a line is called. */
export const lineName = (board: Board, id: string) => board.datums.find((d) => d.id === id)?.name ?? "";

/** Turned by a quarter against the clock. */
export const turned = (copy: Standing): Standing => ({ ...copy, turn: (copy.turn + 1) % 4 });

/** All that stands on a board, with room around it, mm; never less than a small table. */
export function frameOf(board: Board, pieces: BoardPiece[]) {
  const room = 60;
  const least = 480;
  const boxes = board.copies.map((c) => ({ x: c.xMm, y: c.yMm, half: halfOf(board, pieces, c) }));
  const [left, right] = [
    Math.min(0, ...boxes.map((b) => b.x - b.half.x)) - room,
    Math.max(0, ...boxes.map((b) => b.x + b.half.x)) + room,
  ];
  const [low, high] = [
    Math.min(0, ...boxes.map((b) => b.y - b.half.y)) - room,
    Math.max(0, ...boxes.map((b) => b.y + b.half.y)) + room,
  ];
  const [width, height] = [Math.max(least, right - left), Math.max(least / 2, high - low)];
  return { x: left - (width - (right - left)) / 2, y: low - (height - (high - low)) / 2, width, height };
}
