import type { Pick, Reference } from "../../api/types";

export type Height = Pick["height"];

/** Heights in the order in which a stack is looked at. */
export const heights: Height[] = ["recess", "face", "edge"];

/** A spot of a picture, as shares of its width and height. */
export interface Spot {
  x: number;
  y: number;
}

const draftOf = ({ zoneId, height, x, y, onPurpose }: Pick) => ({ zoneId, height, x, y, onPurpose });

/** A pinned picture as it is sent back. */
export const changeOf = (of: Reference) => ({
  version: of.version,
  name: of.name,
  pieceId: of.pieceId,
  grey: of.grey,
  picks: of.picks.map(draftOf),
});

type Change = ReturnType<typeof changeOf>;

/** With a spot picked for a height of a zone: one that was there goes, and what is noted of it stays. */
export function withPick(of: Reference, zoneId: string, height: Height, { x, y }: Spot): Change {
  const is = (p: Pick) => p.zoneId === zoneId && p.height === height;
  const before = of.picks.find(is);
  const rest = of.picks.filter((p) => !is(p)).map(draftOf);
  return { ...changeOf(of), picks: [...rest, { zoneId, height, x, y, onPurpose: before?.onPurpose ?? "" }] };
}

/** Without the spot of a height of a zone. */
export const withoutPick = (of: Reference, { zoneId, height }: Pick): Change => ({
  ...changeOf(of),
  picks: of.picks.filter((p) => p.zoneId !== zoneId || p.height !== height).map(draftOf),
});

/** With a note on why a zone departs from the picture. */
export const withPurpose = (of: Reference, { zoneId, height }: Pick, onPurpose: string): Change => ({
  ...changeOf(of),
  picks: of.picks.map((p) => (p.zoneId === zoneId && p.height === height ? { ...draftOf(p), onPurpose } : draftOf(p))),
});

/** The height that is asked for next: the first of the zone that has no spot. */
export const nextHeight = (of: Reference, zoneId: string): Height | undefined =>
  heights.find((h) => !of.picks.some((p) => p.zoneId === zoneId && p.height === h));

/** A spot moved by steps, within the picture. */
export const moved = (spot: Spot, dx: number, dy: number): Spot => ({
  x: Math.min(1, Math.max(0, spot.x + dx)),
  y: Math.min(1, Math.max(0, spot.y + dy)),
});
