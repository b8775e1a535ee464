import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from "react";
import { Link } from "react-router";
import { api, ask, wording } from "../../api/client";
import { newId } from "../../api/newId";
import type { LogAction, LogKind, PlannedStep, ZoneProgress } from "../../api/types";
import { notify } from "../../ui";
import { chosenSets, follows, planRequest } from "../evenings/request";
import { Core } from "../evenings/Core";
import { logAction } from "../log/action";
import { type Entry, EntryDialog } from "../log/EntryDialog";
import { ranges } from "../mixes/ranges";
import { BenchCard } from "./BenchCard";
import { CopyStrip } from "./CopyStrip";
import { type AskedPlan, copiesNow, keyOf, openSteps, unknownTo } from "./openSteps";
import { benchQueue } from "./queue";
import { Timers, type Timer } from "./Timers";
import { useAwake } from "./useAwake";

const planKey = "lowfell.benchPlan.3";
const progressKey = "lowfell.benchProgress";
const timersKey = "lowfell.benchTimers";
const mostTimers = 30;
const dayMin = 24 * 60;

function stored<T>(key: string): T | undefined {
  try {
    return JSON.parse(localStorage.getItem(key) ?? "null") ?? undefined;
  } catch {
    return undefined;
  }
}

/** Asks, and keeps the answer for when the network is away. */
async function kept<T>(key: string, call: () => Promise<T>): Promise<T> {
  const answer = await call();
  localStorage.setItem(key, JSON.stringify(answer));
  return answer;
}

/** The card beside the rinse water: what now, with what, for which copies. One wet finger is enough. */
export function BenchScreen() {
  useAwake();
  const pending = useSyncExternalStore(benchQueue.subscribe, () => benchQueue.pending);
  const [timers, setTimers] = useState<Timer[]>(() => stored<Timer[]>(timersKey) ?? []);
  const [putOff, setPutOff] = useState<string[]>([]);
  const [writing, setWriting] = useState<"problem" | "note" | "otherwise">();
  const [otherwise, setOtherwise] = useState<{ key: string; entry: Partial<Entry> }>();
  useEffect(() => localStorage.setItem(timersKey, JSON.stringify(timers)), [timers]);
  useEffect(() => void benchQueue.flush(), []);
  const plan = usePlan();
  const steps = useMemo(
    () => (plan.data ? openSteps(plan.data.plan, unknownTo(plan.data.asked, pending, benchQueue.recent), putOff) : []),
    [plan.data, pending, putOff],
  );
  // What is begun stays before the painter, whatever a new plan would put first.
  const last = useRef<string>(undefined);
  const step = steps.find((s) => keyOf(s) === last.current) ?? steps[0];
  last.current = step && keyOf(step);
  const rest = steps.filter((s) => s !== step).slice(0, 3);
  const time = useWorkTime(step);
  const strip = useProgress(step?.zoneId);
  const shownProgress = strip.data?.progress.find((p) => p.steps.some((s) => s.coatId === step?.coatId));
  const states = useMemo(
    () =>
      shownProgress && strip.data
        ? copiesNow(shownProgress, unknownTo(strip.data.asked, pending, benchQueue.recent))
        : [],
    [shownProgress, strip.data, pending],
  );
  const act = (kind: LogKind, copies: number[], more: Partial<LogAction> = {}) => {
    if (!step) return;
    const own = otherwise?.key === keyOf(step) ? otherwise.entry : {};
    const action = logAction(step, kind, copies, kind === "done" ? { ...own, ...time.taken(), ...more } : more);
    benchQueue.add(action);
    if (kind !== "done" && kind !== "skipped") return;
    if (kind === "done") setTimers((t) => withTimer(t, step, copies));
    time.next(copies.length < step.copies.length);
    notify(`${step.paint ?? step.what}: ${ranges(copies)} ${kind === "done" ? "done" : "left out"}.`, () => {
      benchQueue.add(logAction(step, "takenBack", copies));
      setTimers((t) => t.filter((o) => o.key !== keyOf(step) || o.copies?.join() !== copies.join()));
    });
  };
  // Kept the same over renders, so that touching one of 500 copies draws that one alone.
  const latest = useRef(act);
  latest.current = act;
  const done = useCallback((copy: number) => latest.current("done", [copy]), []);
  if (!plan.data)
    return <p className="p-6 text-xl">{plan.isError ? wording(plan.error) : "Looking for what is next…"}</p>;
  return (
    <div className="at-the-bench mx-auto flex w-full max-w-4xl flex-col gap-4 p-4 text-xl" data-testid="bench">
      <Waiting count={pending.length} />
      {step ? (
        <BenchCard
          step={step}
          started={time.started}
          otherwise={otherwise?.key === keyOf(step)}
          cautionNote={plan.data.plan.cautionNote}
          onStart={time.start}
          onAll={() => act("done", step.copies)}
          onPutOff={() => setPutOff([...putOff, keyOf(step)])}
          onLeaveOut={() => act("skipped", step.copies)}
          onWrite={setWriting}
        >
          <CopyStrip copies={step.copies} progress={shownProgress} states={states} onDone={done} />
        </BenchCard>
      ) : (
        <Nothing putOff={putOff.length > 0} onAgain={() => setPutOff([])} />
      )}
      {writing && step && (
        <EntryDialog
          kind={writing}
          title={`${step.paint ?? step.what}, ${step.piece} ${ranges(step.copies)}`}
          planned={step.paintFraction}
          onClose={() => setWriting(undefined)}
          onWrite={(entry) =>
            writing === "otherwise" ? setOtherwise({ key: keyOf(step), entry }) : act(writing, step.copies, entry)
          }
        />
      )}
      <Timers
        timers={timers}
        onChange={setTimers}
        onDry={(t) => {
          benchQueue.add(logAction({ zoneId: t.zoneId!, coatId: t.coatId!, pass: t.pass! }, "dry", t.copies!));
          setTimers((all) => all.filter((o) => o.id !== t.id));
        }}
      />
      <Then steps={rest} />
    </div>
  );
}

/** The plan that is held, or one made at this moment; the last one stands while the network is away. */
function usePlan() {
  const sets = chosenSets();
  return useQuery({
    queryKey: ["plan", "bench", sets],
    queryFn: () =>
      kept(planKey, async (): Promise<AskedPlan> => {
        const asked = Date.now();
        return { asked, plan: await ask(api.POST("/api/plan", { body: planRequest(sets, follows()) })) };
      }),
    placeholderData: () => stored<AskedPlan>(planKey),
    staleTime: 30_000,
  });
}

interface AskedProgress {
  asked: number;
  zoneId: string;
  progress: ZoneProgress[];
}

/** How far every copy of a zone is. */
function useProgress(zoneId: string | undefined) {
  return useQuery({
    queryKey: ["progress", zoneId],
    queryFn: () =>
      kept(progressKey, async (): Promise<AskedProgress> => {
        const asked = Date.now();
        const progress = await ask(api.GET("/api/log/progress", { params: { query: { zoneId } } }));
        return { asked, zoneId: zoneId!, progress };
      }),
    placeholderData: () => {
      const last = stored<AskedProgress>(progressKey);
      return last?.zoneId === zoneId ? last : undefined;
    },
    enabled: zoneId !== undefined,
    staleTime: 30_000,
  });
}

const longestMin = 600;
const longestSetUpMin = 60;

/** Minutes at work on a step, and of setting up for it: from its coming up to its start. */
function useWorkTime(step: PlannedStep | undefined) {
  const key = step ? keyOf(step) : "";
  const shown = useRef({ key, at: Date.now() });
  if (shown.current.key !== key) shown.current = { key, at: Date.now() };
  const [begun, setBegun] = useState<{ key: string; at: number; setUp?: number }>();
  const running = begun?.key === key ? begun : undefined;
  return {
    started: running?.at,
    start: () => {
      const setUp = (Date.now() - shown.current.at) / 60_000;
      setBegun({ key, at: Date.now(), setUp: step?.setUpMin && setUp < longestSetUpMin ? setUp : undefined });
    },
    taken: (): Partial<LogAction> => {
      const minutes = running ? (Date.now() - running.at) / 60_000 : longestMin;
      return { minutes: minutes < longestMin ? minutes : undefined, setUpMinutes: running?.setUp };
    },
    /** The next copy begins where this one ended. */
    next: (more: boolean) => setBegun(more && running ? { key, at: Date.now() } : undefined),
  };
}

function withTimer(timers: Timer[], step: PlannedStep, copies: number[]): Timer[] {
  const wait = (new Date(step.nextFromUtc).getTime() - new Date(step.endUtc).getTime()) / 60_000;
  if (wait < 1 || wait >= dayMin) return timers;
  return [
    ...timers.slice(-mostTimers),
    {
      id: newId(),
      label: `${step.piece} ${ranges(copies)}: ${step.paint ?? step.what}`,
      dryAt: Date.now() + wait * 60_000,
      rung: false,
      key: keyOf(step),
      zoneId: step.zoneId,
      coatId: step.coatId,
      pass: step.pass,
      copies,
    },
  ];
}

function Waiting({ count }: { count: number }) {
  return (
    <>
      {count > 0 && (
        <p role="status" className="rounded border border-risk p-3 font-semibold text-risk">
          {count} {count === 1 ? "action waits" : "actions wait"} for the network; nothing is lost.
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
    </>
  );
}

function Nothing({ putOff, onAgain }: { putOff: boolean; onAgain: () => void }) {
  return (
    <p className="rounded-lg border border-line bg-panel p-6">
      Nothing is left for now.{" "}
      {putOff && (
        <button type="button" className="min-h-14 px-2 underline" onClick={onAgain}>
          Take up what was put off
        </button>
      )}{" "}
      Plan coats in a{" "}
      <Link className="underline" to="/stack">
        stack
      </Link>
      , or look at your{" "}
      <Link className="underline" to="/evenings">
        evenings
      </Link>
      .
    </p>
  );
}

function Then({ steps }: { steps: PlannedStep[] }) {
  return (
    <section aria-label="Then" className="rounded-lg border border-line bg-panel p-4">
      <h2 className="mb-1 font-semibold text-soft">Then</h2>
      {steps.map((s) => (
        <p key={`${keyOf(s)} ${s.copies[0]}`} className="flex items-center gap-3 py-1">
          <Core strata={s.sample} after={s.technique ? s.after : undefined} />
          <span>
            {s.what} {s.paint}{" "}
            <span className="text-soft">
              {s.piece}, {s.zone} {ranges(s.copies)}
            </span>
          </span>
        </p>
      ))}
      {steps.length === 0 && <p className="text-soft">nothing more</p>}
    </section>
  );
}
