/** What a figure may be: both ends allowed, but the least itself not where it says above. */
export interface FigureBound {
  readonly min: number;
  readonly max: number;
  readonly above?: boolean;
  readonly unit?: string;
}

const signs: Record<string, string> = { um: "µm", mm2: "mm²", C: "°C", dE00: "dE" };

export const holds = (bound: FigureBound, value: number) =>
  (bound.above ? value > bound.min : value >= bound.min) && value <= bound.max;

/** What is allowed, in words. */
export const allowed = ({ min, max, above, unit }: FigureBound) =>
  `${above ? "above " : ""}${min} to ${max}${unit ? ` ${signs[unit] ?? unit}` : ""}`;

/** The same bound for a figure that is typed in another unit, so many of which make one. */
export const inUnits = (bound: FigureBound, factor: number, unit: string): FigureBound => ({
  ...bound,
  min: round(bound.min * factor),
  max: round(bound.max * factor),
  unit,
});

/** Of a share that is typed in percent. */
export const percent = (bound: FigureBound) => inUnits(bound, 100, "%");

const round = (value: number) => Math.round(value * 1e6) / 1e6;

/** Rules of a form's field: a figure that must be there. */
export const figure = (bound: FigureBound, whole = false) => ({
  valueAsNumber: true,
  validate: (value: unknown) =>
    (typeof value === "number" && holds(bound, value) && (!whole || Number.isInteger(value))) || allowed(bound),
});

/** Rules of a form's field: a figure, typed as text, or nothing. */
export const figureOrNothing = (bound: FigureBound) => ({
  validate: (text: string) => text.trim() === "" || holds(bound, Number(text)) || `${allowed(bound)}, or empty`,
});

/** Rules of a form's field: a colour, or nothing. */
export const colourOrNothing = {
  validate: (text: string) => text.trim() === "" || /^#[0-9a-f]{6}$/i.test(text.trim()) || "#rrggbb, or empty",
};

/** Rules of a form's field: a name. */
export const nameOf = ({ maxLength }: { maxLength: number }) => ({
  required: "Give it a name.",
  maxLength: { value: maxLength, message: `${maxLength} characters are the most.` },
  validate: (v: string) => v.trim() !== "" || "Give it a name.",
});
