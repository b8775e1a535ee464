import type { PlanLook } from "../../api/planQueries";
import { queries } from "../../api/queries";
import { useInfiniteQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { wording } from "../../api/client";
import type { PlanRequest } from "../../api/types";
import { saved } from "./saved";
import { day } from "./when";

interface Props {
  request: PlanRequest;
  /** The way that is looked at. */
  looking: string | undefined;
  onLook: (look: PlanLook) => void;
}

/** The plan in force beside other ways to do it: what each saves; one press shows it. */
export function WhatIfs({ request, looking, onLook }: Props) {
  const ways = useInfiniteQuery(queries.whatIfs(request));
  const { hasNextPage, isFetching, isError, fetchNextPage } = ways;
  useEffect(() => {
    if (hasNextPage && !isFetching && !isError) void fetchNextPage();
  }, [hasNextPage, isFetching, isError, fetchNextPage]);
  const tried = ways.data?.pages.flatMap((p) => p.ways);
  const base = tried?.[0]?.summary;
  return (
    <section aria-label="What if" className="rounded-lg border border-line bg-panel p-3 text-sm" data-testid="what-ifs">
      <h2 className="mb-1 font-semibold">What if…</h2>
      {ways.isError && (
        <p role="alert" className="text-stop">
          {wording(ways.error)}
        </p>
      )}
      {base &&
        tried?.slice(1).map((w) => (
          <button
            key={w.name}
            type="button"
            aria-pressed={looking === w.name}
            onClick={() => onLook({ name: w.name, request: w.request ?? undefined })}
            className="block w-full border-t border-line py-1.5 text-left hover:bg-raised aria-pressed:bg-tint"
          >
            <span className="flex gap-2">
              <span className="flex-1">{w.name}</span>
              <strong>{w.summary.doneOn ? day(w.summary.doneOn) : "not all of it"}</strong>
            </span>
            <span className="block text-xs text-soft">{saved(base, w.summary, false)}</span>
          </button>
        ))}
      {(!tried || hasNextPage) && !isError && <p className="text-soft">Trying other ways…</p>}
    </section>
  );
}
