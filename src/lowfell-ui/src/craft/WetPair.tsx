import type { WetAndDry } from "../api/types";

/** A coat while it is wet beside what it dries to. */
export function WetPair({ of, className = "h-5 w-16" }: { of: WetAndDry; className?: string }) {
  return (
    <p className="flex flex-wrap items-center gap-x-2 gap-y-1" data-testid="wet-and-dry">
      {(["wet", "dry"] as const).map((state) => (
        <span key={state} className="inline-flex items-center gap-1.5">
          <span className="text-soft">{state === "wet" ? "Wet now" : "dry"}</span>
          <span aria-hidden className="rounded bg-swatch p-1">
            <span className={`grid grid-cols-[2fr_3fr_2fr] overflow-hidden rounded-sm ${className}`}>
              {of[state].map((colour, i) => (
                <span key={i} style={{ background: colour }} />
              ))}
            </span>
          </span>
        </span>
      ))}
      <span>{of.says}</span>
    </p>
  );
}
