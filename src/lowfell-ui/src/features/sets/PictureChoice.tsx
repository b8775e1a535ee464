import type { ReactNode } from "react";
import type { ZoneSettings } from "../../api/types";

interface Props<T extends string> {
  label: string;
  value: T;
  options: { value: T; label: string; picture: ReactNode }[];
  onChange: (value: T) => void;
}

/** One of a few, by a picture with its word below. */
export function PictureChoice<T extends string>({ label, value, options, onChange }: Props<T>) {
  return (
    <fieldset>
      <legend className="mb-1 text-xs font-semibold text-soft">{label}</legend>
      <div className="grid grid-cols-4 gap-2">
        {options.map((o) => (
          <label
            key={o.value}
            className="flex cursor-pointer flex-col rounded border border-line bg-raised p-1.5 text-center text-xs has-checked:border-accent has-checked:bg-tint has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-accent"
          >
            <input
              type="radio"
              name={label}
              value={o.value}
              checked={o.value === value}
              onChange={() => onChange(o.value)}
              className="sr-only"
            />
            {o.picture}
            <span className="mt-1">{o.label}</span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** Cut through the surface, light from above: how high it stands along the way, 0 to 1. */
const profiles: Record<ZoneSettings["relief"], number[]> = {
  smooth: [0.5, 0.5, 0.5, 0.5, 0.5, 0.5, 0.5, 0.5],
  panelled: [0.7, 0.7, 0.7, 0.45, 0.7, 0.7, 0.7, 0.7, 0.7, 0.45, 0.7, 0.7, 0.7, 0.7, 0.7, 0.45, 0.7, 0.7],
  textured: [0.6, 0.75, 0.7, 0.4, 0.65, 0.8, 0.7, 0.45, 0.6, 0.75, 0.8, 0.4, 0.7, 0.75, 0.6, 0.45, 0.75, 0.7],
  rough: [0.3, 0.7, 0.95, 0.6, 0.2, 0.5, 0.9, 1, 0.7, 0.25, 0.4, 0.85, 0.6, 0.15, 0.55, 0.95, 0.8, 0.35],
};

/** A surface in section. */
export function ReliefPicture({ relief }: { relief: ZoneSettings["relief"] }) {
  const heights = profiles[relief];
  const sharp = relief === "panelled";
  const at = (i: number) => (i / (heights.length - 1)) * 100;
  const points = heights.flatMap((h, i) => {
    const y = 40 - h * 32;
    const half = 50 / (heights.length - 1);
    return sharp ? [`${at(i) - half},${y}`, `${at(i) + half},${y}`] : [`${at(i)},${y}`];
  });
  return (
    <svg aria-hidden viewBox="0 0 100 40" preserveAspectRatio="none" className="h-9 w-full rounded-sm bg-swatch">
      <polygon points={`0,40 ${points.join(" ")} 100,40`} className="fill-current text-soft" />
    </svg>
  );
}

/** Shares that are told by a picture. */
export const shares = [
  { percent: 10, word: "a little" },
  { percent: 33, word: "a third" },
  { percent: 60, word: "most of it" },
  { percent: 100, word: "all of it" },
] as const;

/** A piece with so much of it filled. */
export function SharePicture({ percent }: { percent: number }) {
  return (
    <svg aria-hidden viewBox="0 0 100 40" preserveAspectRatio="none" className="h-9 w-full rounded-sm bg-swatch">
      <rect x="0" y={40 - (percent / 100) * 40} width="100" height="40" className="fill-current text-soft" />
    </svg>
  );
}
