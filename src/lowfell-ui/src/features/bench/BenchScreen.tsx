import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useState, useSyncExternalStore } from "react";
import { Link } from "react-router";
import { api, ask, wording } from "../../api/client";
import { newId } from "../../api/newId";
import type { Plan, PlannedStep } from "../../api/types";
import { number } from "../../api/words";
import { ranges } from "../mixes/ranges";
import { type BenchAction, benchQueue } from "./queue";
import { Timers, type Timer } from "./Timers";
import { useAwake } from "./useAwake";

const planKey = "lowfell.benchPlan.2";
const timersKey = "lowfell.benchTimers";

function stored<T>(key: string): T | undefined {
  try {
    return JSON.parse(localStorage.getItem(key) ?? "null") ?? undefined;
  } catch {
    return undefined;
  }
}

/** The card beside the rinse water: what now, with what, for which copies. One wet finger is enough. */
export function BenchScreen() {
  useAwake();
  const pending = useSyncExternalStore(benchQueue.subscribe, () => benchQueue.pending);
  const [started, setStarted] = useState<{ key: string; at: number }>();
  const [timers, setTimers] = useState<Timer[]>(() => stored<Timer[]>(timersKey) ?? []);
  const [skipped, setSkipped] = useState<string[]>([]);
  const [problem, setProblem] = useState(false);
  useEffect(() => localStorage.setItem(timersKey, JSON.stringify(timers)), [timers]);
  useEffect(() => void benchQueue.flush(), []);
  const setIds = stored<string[]>("lowfell.plannedSets");
  const plan = useQuery({
    queryKey: ["plan", "bench", setIds],
    queryFn: async (): Promise<AskedPlan> => {
      const asked = Date.now();
      const fresh = await ask(
        api.POST("/api/plan", {
          body: {
            setIds: setIds?.length ? setIds : undefined,
            withoutOptional: false,
            warmAir: false,
            learn: localStorage.getItem("lowfell.learn") !== "no",
          },
        }),
      );
      const answer = { asked, plan: fresh };
      localStorage.setItem(planKey, JSON.stringify(answer));
      return answer;
    },
    // The last plan stands while the network is away.
    placeholderData: () => stored<AskedPlan>(planKey),
    staleTime: 30_000,
  });
  const steps = useMemo(() => open(plan.data, pending, skipped), [plan.data, pending, skipped]);
  if (!plan.data)
    return <p className="p-6 text-xl">{plan.isError ? wording(plan.error) : "Looking for what is next…"}</p>;
  const step = steps[0];
  const act = (kind: BenchAction["kind"], copies: number[], note = "") => {
    if (!step) return;
    const begun = started?.key === keyOf(step) ? (Date.now() - started.at) / 60_000 : undefined;
    benchQueue.add({
      id: newId(),
      kind,
      zoneId: step.zoneId,
      coatId: step.coatId,
      pass: step.pass,
      copies,
      at: new Date().toISOString(),
      minutes: kind === "done" && begun !== undefined && begun < 600 ? begun : undefined,
      note,
    });
    if (kind !== "done") return;
    const wait = (new Date(step.nextFromUtc).getTime() - new Date(step.endUtc).getTime()) / 60_000;
    if (wait >= 1 && wait < 24 * 60)
      setTimers((t) => [
        ...t.slice(-30),
        {
          id: newId(),
          label: `${step.piece} ${ranges(copies)}: ${step.paint ?? step.what}`,
          dryAt: Date.now() + wait * 60_000,
          rung: false,
        },
      ]);
    setStarted(copies.length < step.copies.length ? { key: keyOf(step), at: Date.now() } : undefined);
  };
  return (
    <div className="mx-auto flex w-full max-w-4xl flex-col gap-4 p-4 text-xl" data-testid="bench">
      {pending.length > 0 && (
        <p role="status" className="rounded border border-risk p-3 font-semibold text-risk">
          {pending.length} {pending.length === 1 ? "action waits" : "actions wait"} for the network; nothing is lost.
        </p>
      )}
      {benchQueue.refused.map(({ action, why }) => (
        <p key={action.id} role="alert" className="rounded border border-stop p-3 text-stop">
          {why}{" "}
          <button type="button" className="min-h-14 px-3 underline" onClick={() => benchQueue.forgetRefused()}>
            I have seen it
          </button>
        </p>
      ))}
      {step ? (
        <Card
          step={step}
          started={started?.key === keyOf(step) ? started.at : undefined}
          cautionNote={plan.data.plan.cautionNote}
          onStart={() => setStarted({ key: keyOf(step), at: Date.now() })}
          onDone={(copies) => act("done", copies)}
          onSkip={() => setSkipped([...skipped, keyOf(step)])}
          onProblem={() => setProblem(true)}
        />
      ) : (
        <p className="rounded-lg border border-line bg-panel p-6">
          Nothing is left for now. Plan coats in a{" "}
          <Link className="underline" to="/stack">
            stack
          </Link>
          , or look at your{" "}
          <Link className="underline" to="/evenings">
            evenings
          </Link>
          .
        </p>
      )}
      {problem && step && (
        <ProblemNote
          onCancel={() => setProblem(false)}
          onWrite={(note) => {
            act("problem", step.copies, note);
            setProblem(false);
          }}
        />
      )}
      <Timers timers={timers} onChange={setTimers} />
      <section aria-label="Then" className="rounded-lg border border-line bg-panel p-4">
        <h2 className="mb-1 font-semibold text-soft">Then</h2>
        {steps.slice(1, 4).map((s) => (
          <p key={keyOf(s)} className="flex items-center gap-3 py-1">
            <Sample colours={s.after} small />
            <span>
              {s.what} {s.paint}{" "}
              <span className="text-soft">
                {s.piece}, {s.zone} {ranges(s.copies)}
              </span>
            </span>
          </p>
        ))}
        {steps.length < 2 && <p className="text-soft">nothing more</p>}
      </section>
    </div>
  );
}

const keyOf = (s: PlannedStep) => `${s.zoneId} ${s.coatId} ${s.pass}`;

/** A plan, and when it was asked for. */
interface AskedPlan {
  asked: number;
  plan: Plan;
}

/** Steps that are still to be done: what waits in the queue, or was taken after the plan was asked for, is taken off. */
function open(answer: AskedPlan | undefined, pending: readonly BenchAction[], skipped: string[]): PlannedStep[] {
  if (!answer) return [];
  const unknown = [...pending, ...benchQueue.recent.filter((r) => r.at >= answer.asked).map((r) => r.action)];
  const done = new Set(
    unknown
      .filter((a) => a.kind === "done")
      .flatMap((a) => a.copies.map((c) => `${a.zoneId} ${a.coatId} ${a.pass} ${c}`)),
  );
  return answer.plan.calendar
    .flatMap((e) => e.steps)
    .map((s) => ({ ...s, copies: s.copies.filter((c) => !done.has(`${keyOf(s)} ${c}`)) }))
    .filter((s) => s.copies.length > 0 && !skipped.includes(keyOf(s)));
}

function Sample({ colours, small }: { colours: string[]; small?: boolean }) {
  return (
    <span className={`flex overflow-hidden rounded bg-swatch p-1 ${small ? "h-9 w-20" : "h-16 w-36"}`}>
      {colours.map((c, i) => (
        <span key={i} className="h-full flex-1" style={{ background: c }} />
      ))}
    </span>
  );
}

interface CardProps {
  step: PlannedStep;
  started: number | undefined;
  cautionNote: string;
  onStart: () => void;
  onDone: (copies: number[]) => void;
  onSkip: () => void;
  onProblem: () => void;
}

const big = "min-h-14 rounded-lg border px-5 text-xl font-semibold";

function Card({ step, started, cautionNote, onStart, onDone, onSkip, onProblem }: CardProps) {
  return (
    <section aria-label="Now" className="rounded-lg border border-line bg-panel p-4">
      <h1 className="text-3xl font-semibold">
        {step.what} {step.paint}
      </h1>
      <p className="text-soft">
        {step.piece}, {step.zone}
        {step.passes > 1 && `, pass ${step.pass} of ${step.passes}`}
      </p>
      <div className="my-3 flex flex-wrap items-center gap-4">
        <Sample colours={step.before} />
        <span aria-hidden>→</span>
        <Sample colours={step.after} />
        {step.mix && (
          <p className="text-2xl">
            {step.mix.thinnerDrops > 0 ? (
              <>
                <strong>{step.mix.paintDrops}</strong> drops paint, <strong>{step.mix.thinnerDrops}</strong> thinner
                <span className="block text-xl text-soft">again until {number(step.mix.totalMl, 1)} ml</span>
              </>
            ) : (
              <>
                <strong>{number(step.mix.totalMl, 1)} ml</strong> as it comes
              </>
            )}
          </p>
        )}
      </div>
      {step.cautions.length > 0 && (
        <div className="my-3 border-l-4 border-risk pl-3">
          {step.cautions.map((c) => (
            <p key={c}>{c}</p>
          ))}
          <p className="text-soft">{cautionNote}</p>
        </div>
      )}
      <p className="mb-1 text-soft">Copies: touch one when it is done</p>
      <div className="flex max-h-64 flex-wrap gap-2 overflow-y-auto" data-testid="copies">
        {step.copies.map((c) => (
          <button
            key={c}
            type="button"
            aria-label={`Copy ${c} done`}
            className={`${big} min-w-16 border-strong bg-raised`}
            onClick={() => onDone([c])}
          >
            {c}
          </button>
        ))}
      </div>
      <div className="mt-4 grid grid-cols-2 gap-3">
        <button
          type="button"
          className={`${big} border-strong bg-raised`}
          onClick={onStart}
          disabled={started !== undefined}
        >
          {started === undefined
            ? "Start"
            : `Started ${new Date(started).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" })}`}
        </button>
        <button
          type="button"
          className={`${big} border-accent bg-accent text-on-accent`}
          onClick={() => onDone(step.copies)}
        >
          {step.copies.length === 1 ? "Done" : `Done for all ${step.copies.length}`}
        </button>
        <button type="button" className={`${big} border-line`} onClick={onSkip}>
          Not now
        </button>
        <button type="button" className={`${big} border-line`} onClick={onProblem}>
          Problem
        </button>
      </div>
    </section>
  );
}

function ProblemNote({ onCancel, onWrite }: { onCancel: () => void; onWrite: (note: string) => void }) {
  const [note, setNote] = useState("");
  return (
    <section aria-label="Problem" className="rounded-lg border border-risk bg-panel p-4">
      <label className="mb-1 block" htmlFor="problem-note">
        What went wrong, and what mended it?
      </label>
      <textarea
        id="problem-note"
        maxLength={2000}
        rows={3}
        className="w-full rounded border border-strong bg-raised p-3"
        value={note}
        onChange={(e) => setNote(e.target.value)}
      />
      <div className="mt-2 grid grid-cols-2 gap-3">
        <button type="button" className={`${big} border-line`} onClick={onCancel}>
          Back
        </button>
        <button
          type="button"
          className={`${big} border-accent bg-accent text-on-accent`}
          disabled={note.trim() === ""}
          onClick={() => onWrite(note)}
        >
          Write it down
        </button>
      </div>
    </section>
  );
}
