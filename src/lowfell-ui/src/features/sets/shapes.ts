import type { PieceDraft } from "../../api/types";

/** A figure of the size of a piece. */
export type Size = "lengthMm" | "widthMm" | "heightMm" | "freeAreaMm2";

/** The unit that a figure of it is kept in. */
export const unitOf = (size: Size) => (size === "freeAreaMm2" ? "mm²" : "mm");

/** What the size of each shape is told by. */
export const shapes: { value: PieceDraft["shape"]; sizes: [Size, string][] }[] = [
  {
    value: "box",
    sizes: [
      ["lengthMm", "Length"],
      ["widthMm", "Width"],
      ["heightMm", "Height"],
    ],
  },
  {
    value: "wall",
    sizes: [
      ["lengthMm", "Length"],
      ["widthMm", "Thickness"],
      ["heightMm", "Height"],
    ],
  },
  {
    value: "tile",
    sizes: [
      ["lengthMm", "Length"],
      ["widthMm", "Width"],
      ["heightMm", "Thickness"],
    ],
  },
  {
    value: "disc",
    sizes: [
      ["lengthMm", "Diameter"],
      ["heightMm", "Thickness"],
    ],
  },
  {
    value: "cylinder",
    sizes: [
      ["lengthMm", "Diameter"],
      ["heightMm", "Height"],
    ],
  },
  { value: "free", sizes: [["freeAreaMm2", "Area"]] },
];
