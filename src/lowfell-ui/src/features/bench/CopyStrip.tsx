import { memo } from "react";
import type { ZoneProgress } from "../../api/types";
import { stepsOf } from "../../craft/letters";

interface Props {
  /** Copies that the step is for. */
  copies: number[];
  /** How far every copy of the zone is; without it the copies of the step alone are shown. */
  progress: ZoneProgress | undefined;
  /** Letters of every copy, from 1 on. */
  states: string[];
  onDone: (copy: number) => void;
}

/** All copies, each with the strata it has reached: a touch on one that the step is for says that it is done. */
export function CopyStrip({ copies, progress, states, onDone }: Props) {
  const now = new Set(copies);
  const all = progress && states.length > 0 ? states.map((_, i) => i + 1) : copies;
  return (
    <div className="flex max-h-72 flex-wrap gap-2 overflow-y-auto" data-testid="copies">
      {all.map((copy) => (
        <Copy
          key={copy}
          copy={copy}
          state={states[copy - 1] ?? ""}
          progress={progress}
          open={now.has(copy)}
          onDone={onDone}
        />
      ))}
    </div>
  );
}

interface CopyProps {
  copy: number;
  state: string;
  progress: ZoneProgress | undefined;
  open: boolean;
  onDone: (copy: number) => void;
}

// Drawn again only when its own state changes, and not at all while it is scrolled out of sight.
const Copy = memo(function Copy({ copy, state, progress, open, onDone }: CopyProps) {
  const bar = progress ? strata(progress, state) : "";
  const far = stepsOf(state);
  const words = state ? `, ${far.on} of ${far.of} on` : "";
  const inside = (
    <>
      <span className="leading-none">{copy}</span>
      {bar && <span aria-hidden className="mt-1 block h-2 w-full rounded-sm" style={{ background: bar }} />}
    </>
  );
  const look =
    "flex h-14 w-16 [content-visibility:auto] [contain-intrinsic-size:4rem_3.5rem] flex-col justify-center rounded-lg border px-2 text-center text-xl";
  return open ? (
    <button
      type="button"
      aria-label={`Copy ${copy} done`}
      title={`Copy ${copy}${words}`}
      className={`${look} border-strong bg-raised font-semibold`}
      onClick={() => onDone(copy)}
    >
      {inside}
    </button>
  ) : (
    <span
      role="img"
      aria-label={`Copy ${copy}${words}`}
      className={`${look} border-transparent text-soft`}
      data-testid="copy-on"
    >
      {inside}
    </span>
  );
});

/** The face of each stratum that is on, from the substrate on; one gradient, so that 500 copies stay light. */
function strata(progress: ZoneProgress, state: string): string {
  const faces = [progress.bare[1], ...progress.steps.filter((_, i) => state[i] === "d").map((s) => s.look[1])].filter(
    (c): c is string => Boolean(c),
  );
  if (faces.length === 0) return "";
  const share = 100 / faces.length;
  return `linear-gradient(to right, ${faces.map((c, i) => `${c} ${i * share}% ${(i + 1) * share}%`).join(", ")})`;
}
