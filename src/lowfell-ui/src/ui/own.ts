import { shown } from "../api/units";
import { type FigureBound, inUnits } from "./bound";

const digitsAtMost = 6;
export const rounded = (value: number, digits = digitsAtMost) => Number(value.toFixed(digits));

/** A figure of the API's unit as it is shown, typed and bounded in the painter's own. */
export function own(unit: string | undefined) {
  const as = shown(unit);
  const plain = as.digits === undefined;
  // An end of a bound is rounded into it.
  const per = 10 ** (as.digits ?? 0);
  const within = (value: number, round: (v: number) => number) => round(rounded(value * per, 9)) / per;
  const text = (value: number | null | undefined) =>
    value == null ? "" : String(plain ? value : rounded(as.show(value), as.digits));
  return {
    unit: as.unit,
    text,
    show: (value: number) => (plain ? value : rounded(as.show(value), as.digits)),
    take: (typed: number) => (plain ? typed : rounded(as.take(typed))),
    /** What was typed, kept as it was where nobody changed it: a figure of another unit does not come back to the last digit. */
    kept: (typed: string | number, was: number | null | undefined) => {
      const words = String(typed).trim();
      if (words === "") return undefined;
      return was != null && words === text(was) ? was : plain ? Number(words) : rounded(as.take(Number(words)));
    },
    bound: (of: FigureBound): FigureBound =>
      plain
        ? of
        : {
            ...inUnits(of, 1, as.unit),
            min: within(as.show(of.min), Math.ceil),
            max: within(as.show(of.max), Math.floor),
          },
  };
}

/** A draft's key: figures that were typed in another unit are no draft of this form. */
export const inUnit = (key: string) => (own("mm").unit === "mm" ? key : `${key}, ${own("mm").unit}`);
