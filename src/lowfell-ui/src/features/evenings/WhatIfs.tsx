import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { wording } from "../../api/client";
import type { PlanRequest } from "../../api/types";
import { saved } from "./saved";
import { day } from "./when";

/** The plan beside other ways to do it: what each saves. */
export function WhatIfs({ request }: { request: PlanRequest }) {
  const ways = useQuery(queries.whatIfs(request));
  const base = ways.data?.[0]?.summary;
  return (
    <section aria-label="What if" className="rounded-lg border border-line bg-panel p-3 text-sm" data-testid="what-ifs">
      <h2 className="mb-1 font-semibold">What if…</h2>
      {ways.isError && (
        <p role="alert" className="text-stop">
          {wording(ways.error)}
        </p>
      )}
      {!ways.data && !ways.isError && <p className="text-soft">Trying other ways…</p>}
      {base &&
        ways.data?.slice(1).map((w) => (
          <div key={w.name} className="border-t border-line py-1.5">
            <p className="flex gap-2">
              <span className="flex-1">{w.name}</span>
              <strong>{w.summary.doneOn ? day(w.summary.doneOn) : "can’t be done"}</strong>
            </p>
            <p className="text-xs text-soft">{saved(base, w.summary, false)}</p>
          </div>
        ))}
    </section>
  );
}
