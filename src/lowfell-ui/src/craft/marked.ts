import type { BoardView } from "../api/types";
import { length } from "../api/units";
import { levelStateWord } from "../api/words";

type Level = BoardView["answer"]["copies"][number]["levels"][number];

/** Heights of a line at left, middle and right, as one reads them off while marking. */
export const marked = (level: Level): string => {
  if (level.state !== "over") return levelStateWord[level.state];
  const ends = [0, Math.floor(level.points.length / 2), level.points.length - 1].map((i) => level.points[i]!);
  const at = (mm: number) => (mm < 0 ? "none" : length(mm));
  const words = ends.map((p) => at(p.markMm));
  return words.every((w) => w === words[0]) ? words[0]! : words.join(", ");
};
