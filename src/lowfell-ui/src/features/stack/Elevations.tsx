import { length } from "../../api/units";
import type { Preview } from "../../api/types";
import {} from "../../api/words";

const places = ["top", "middle", "foot"] as const;

/** The finished colours at the top, the middle and the foot of a zone that is told by height. */
export function Elevations({ elevations }: { elevations: Preview["elevations"] }) {
  if (!elevations) return null;
  return (
    <div className="flex shrink-0 flex-col gap-0.5" data-testid="elevations">
      {places.map((place) => {
        const { heightMm, strata } = elevations[place];
        return (
          <div key={place} className="flex items-center gap-1.5 text-xs text-soft">
            <span className="inline-flex overflow-hidden rounded-sm bg-swatch p-0.5">
              {(strata.at(-1) ?? []).map((c, i) => (
                <span key={i} className="h-4 w-6" style={{ background: c }} title={c} />
              ))}
            </span>
            {place}, {length(heightMm)}
          </div>
        );
      })}
    </div>
  );
}
