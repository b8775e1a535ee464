import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { queries } from "../../api/queries";
import type { SetView } from "../../api/types";
import { day } from "../../api/units";
import { number } from "../../api/words";
import { countFound, FoundCounts, sumFound } from "../../ui/FoundCounts";

/** The answer to what a painter asks of a set: will it hold, how much of what, when is it done. */
export function SetAnswer({ set }: { set: SetView }) {
  const planned = set.pieces.some((p) => p.zones.some((z) => z.sample.length > 1));
  const amounts = useQuery({ ...queries.amounts({ setId: set.id, palette: "wet" }), enabled: planned });
  const done = useQuery({ ...queries.doneBy(), enabled: planned });
  if (!planned) return null;
  const found = sumFound(
    set.pieces.flatMap((p) => [countFound(p.judgement.findings), ...p.zones.map((z) => z.findings)]),
  );
  const quiet = found.stops + found.risks === 0;
  const need = amounts.data;
  const missing = need?.materials.filter((m) => m.shortMl > 0 && m.bottles != null).length ?? 0;
  // A set without open steps isn't told of: it is painted.
  const open = done.data?.find((d) => d.setId === set.id);
  const by = open?.doneOn;
  const late = by && set.readyBy && by > set.readyBy;
  return (
    <dl
      aria-label={`How ${set.name} stands`}
      data-testid="set-answer"
      className="mb-2 grid gap-x-6 gap-y-1 rounded-lg border border-line bg-panel px-4 py-2 text-sm sm:grid-cols-3"
    >
      <div>
        <dt className="text-xs font-semibold text-soft">Will it hold?</dt>
        <dd className="flex flex-wrap gap-x-3">
          {quiet && "Nothing stands against it"}
          <FoundCounts found={found} />
        </dd>
      </div>
      <div>
        <dt className="text-xs font-semibold text-soft">How much of what?</dt>
        <dd>
          {!need ? (
            "working it out…"
          ) : (
            <Link to={`/shelf/amounts?of=set:${set.id}`} className="underline">
              {number(need.totalMl, 0)} ml to mix, of {need.materials.length}{" "}
              {need.materials.length === 1 ? "paint" : "paints"}
              {missing > 0 && <span className="font-semibold text-risk">, {missing} to buy</span>}
            </Link>
          )}
        </dd>
      </div>
      <div>
        <dt className="text-xs font-semibold text-soft">When is it done?</dt>
        <dd>
          {!done.data ? (
            "working it out…"
          ) : !open ? (
            "Every coat is on"
          ) : (
            <Link to="/evenings/plan" className="underline">
              {by ? day(by) : "not within the evenings that are told"}
              {set.readyBy && (
                <span className={late ? "font-semibold text-risk" : ""}>
                  , {late ? "too late for" : "in time for"} {day(set.readyBy)}
                </span>
              )}
            </Link>
          )}
        </dd>
      </div>
    </dl>
  );
}
