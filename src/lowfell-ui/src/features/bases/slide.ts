import type { OpenGround } from "../../api/types";

/** A place on a base, mm from its middle: to the right, to the rear. */
export interface Place {
  x: number;
  y: number;
}

const letterAt = (ground: OpenGround, column: number, row: number): string =>
  column < 0 || row < 0 || column >= ground.columns || row >= ground.rows
    ? "r"
    : (ground.cells[row * ground.columns + column] ?? "r");

const cellOf = (ground: OpenGround, at: Place): [number, number] => [
  Math.round((at.x - ground.fromX) / ground.stepMm),
  Math.round((at.y - ground.fromY) / ground.stepMm),
];

/** What stands in the way at a place: a letter of the ground's reasons; none where it may stand. */
export function inTheWay(ground: OpenGround, at: Place): string | undefined {
  const letter = letterAt(ground, ...cellOf(ground, at));
  return letter === "." ? undefined : letter;
}

/**
 * Where an element stands when a hand pulls it to a place: there, where it may stand; else as near to it as it may, so that it slides along
 * what is in its way. Nothing where no ground is open.
 */
export function slide(ground: OpenGround, wanted: Place): Place | undefined {
  const [column, row] = cellOf(ground, wanted);
  if (letterAt(ground, column, row) === ".") return wanted;
  const most = ground.columns + ground.rows + Math.abs(column) + Math.abs(row);
  let best: Place | undefined;
  let least = Infinity;
  // Ring by ring: once something was found, only rings nearer than it can hold better.
  for (let ring = 1; ring <= most && (ring - 1) * ground.stepMm <= least; ring++)
    for (let dy = -ring; dy <= ring; dy++)
      for (let dx = -ring; dx <= ring; dx += Math.abs(dy) === ring ? 1 : 2 * ring) {
        if (letterAt(ground, column + dx, row + dy) !== ".") continue;
        const place = {
          x: ground.fromX + (column + dx) * ground.stepMm,
          y: ground.fromY + (row + dy) * ground.stepMm,
        };
        const far = Math.hypot(place.x - wanted.x, place.y - wanted.y);
        if (far < least) [best, least] = [place, far];
      }
  return best;
}
