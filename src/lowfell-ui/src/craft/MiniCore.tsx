import type { SampleStratum } from "../api/types";

/** The core sample, small: the same picture as on the stack screen, so that people learn to read it. */
export function MiniCore({ strata, large }: { strata: SampleStratum[]; large?: boolean }) {
  return (
    <span aria-hidden className="block shrink-0 rounded bg-swatch p-1">
      <span className={`flex ${large ? "h-24 w-20" : "h-11 w-9"} flex-col-reverse overflow-hidden rounded-sm`}>
        {strata.map((s, i) => (
          <span key={i} className="relative grid flex-1 grid-cols-3">
            <span style={{ background: s.recess }} />
            <span style={{ background: s.face }} />
            <span style={{ background: s.edge }} />
            {s.barrier && <span className="barrier-thin absolute inset-0" />}
          </span>
        ))}
      </span>
    </span>
  );
}
