import type { WetAndDry } from "../api/types";

/** A coat while it is wet beside what it dries to; its room is kept while it is worked out. */
export function WetPair({
  of,
  says = true,
  className = "h-5 w-16",
}: {
  of: WetAndDry | undefined;
  says?: boolean;
  className?: string;
}) {
  return (
    <div data-testid="wet-and-dry">
      <p className="flex items-center gap-x-2">
        {(["wet", "dry"] as const).map((state) => (
          <span key={state} className="inline-flex items-center gap-1.5 whitespace-nowrap">
            <span className="text-soft">{state === "wet" ? "Wet now" : "dry"}</span>
            <span aria-hidden className="rounded bg-swatch p-1">
              <span className={`grid grid-cols-[2fr_3fr_2fr] overflow-hidden rounded-sm ${className}`}>
                {of?.[state].map((colour, i) => (
                  <span key={i} style={{ background: colour }} />
                ))}
              </span>
            </span>
          </span>
        ))}
      </p>
      {says && <p className="min-h-5 leading-5">{of?.says}</p>}
      {!says && of && <span className="sr-only text-xl">{of.says}</span>}
    </div>
  );
}
