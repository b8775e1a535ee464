import { solveStageWord } from "../../api/words";
import type { PlanLook } from "../../api/planQueries";
import { useMutation } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { PlanRequest, PlanSummary, Solve } from "../../api/types";
import { Button, Choice, notify } from "../../ui";
import { saved } from "./saved";
import { day } from "./when";

const running = (s: Solve | undefined) => s?.status === "waiting" || s?.status === "running";
const keepKey = "lowfell.search";

interface Props {
  request: PlanRequest;
  /** What the plan in force comes to. */
  shown: PlanSummary;
  /** The plan that is looked at. */
  looking: string | undefined;
  /** The plan that is held. */
  held: string | undefined;
  onLook: (look: PlanLook) => void;
}

/** Looks longer for a better plan than the one at once, on whichever host is free; it goes on while the page is away. */
export function Search({ request, shown, looking, held, onLook }: Props) {
  const [seconds, setSeconds] = useState("10");
  const [id, setId] = useState<string | null>(() => sessionStorage.getItem(keepKey));
  const [solve, setSolve] = useState<Solve>();
  useEffect(() => {
    if (!id) return;
    const events = new EventSource(`/api/plan/solves/${id}/events`);
    events.addEventListener("solve", (e) => {
      const next = JSON.parse((e as MessageEvent<string>).data) as Solve;
      setSolve(next);
      if (!running(next)) events.close();
    });
    return () => events.close();
  }, [id]);
  const forget = () => {
    sessionStorage.removeItem(keepKey);
    setId(null);
    setSolve(undefined);
  };
  const taken = held !== undefined && solve?.planId === held;
  useEffect(() => {
    if (taken) forget();
  }, [taken]);
  const start = useMutation({
    mutationFn: () => ask(api.POST("/api/plan/solves", { body: { request, seconds: Number(seconds) } })),
    onSuccess: (begun) => {
      sessionStorage.setItem(keepKey, begun.id);
      setSolve(begun);
      setId(begun.id);
    },
    onError: (error) => notify(wording(error)),
  });
  const stop = useMutation({
    mutationFn: () => ask(api.DELETE("/api/plan/solves/{id}", { params: { path: { id: id! } } })),
    onError: (error) => notify(wording(error)),
  });
  const found = solve?.progress?.summary;
  return (
    <section
      aria-label="A better plan"
      className="rounded-lg border border-line bg-panel p-3 text-sm"
      data-testid="search"
    >
      <h2 className="mb-1 font-semibold">A better plan</h2>
      {solve && running(solve) && (
        <>
          <div
            role="progressbar"
            aria-label="Time of the search"
            aria-valuemin={0}
            aria-valuemax={solve.seconds}
            aria-valuenow={Math.min(solve.seconds, solve.progress?.seconds ?? 0)}
            className="mb-1 h-1.5 overflow-hidden rounded bg-tint"
          >
            <div
              className="h-full bg-accent"
              style={{ width: `${Math.min(100, (100 * (solve.progress?.seconds ?? 0)) / solve.seconds)}%` }}
            />
          </div>
          <p aria-live="polite">
            {solve.progress ? `Now ${solveStageWord[solve.progress.stage]}.` : "It waits for its turn."}
          </p>
          {found && <p className="text-soft">Best so far: {words(found)}.</p>}
          <Button className="mt-2" disabled={stop.isPending} onClick={() => stop.mutate()}>
            Stop and take the best
          </Button>
        </>
      )}
      {solve && !running(solve) && (
        <>
          {solve.status === "failed" && (
            <p role="alert" className="text-stop">
              {solve.message}
            </p>
          )}
          {found && (
            <>
              <p>
                Found: {words(found)}
                {solve.progress!.proven
                  ? ", and no plan is done sooner"
                  : solve.progress!.provenGrouped
                    ? ", and with copies grouped as now none is done sooner"
                    : ""}
                .
              </p>
              <p className="text-soft">
                {found.leastSetUps != null &&
                  (found.leastSetUps >= found.setUps
                    ? "No such plan has fewer set-ups. "
                    : `No such plan has fewer than ${found.leastSetUps} set-ups. `)}
                Against the plan in force: {saved(shown, found)}.
              </p>
            </>
          )}
          <div className="mt-2 flex gap-2">
            {solve.planId && (
              <Button
                look="main"
                disabled={looking === solve.planId}
                onClick={() => onLook({ name: "the plan that was found", planId: solve.planId! })}
              >
                Look at it
              </Button>
            )}
            <Button onClick={forget}>Drop it</Button>
          </div>
        </>
      )}
      {!solve && (
        <div className="flex items-center gap-2">
          <Button disabled={start.isPending} onClick={() => start.mutate()}>
            Search for
          </Button>
          <div className="w-32">
            <Choice
              label="How long to look"
              value={seconds}
              options={["10", "30", "60", "180"].map((value) => ({ value, label: `${value} seconds` }))}
              onChange={setSeconds}
            />
          </div>
        </div>
      )}
    </section>
  );
}

const words = (s: PlanSummary) =>
  `${s.doneOn ? `done ${day(s.doneOn)}` : "not all of it fits"}, ${s.evenings} ${s.evenings === 1 ? "evening" : "evenings"}, ${s.setUps} set-ups`;
