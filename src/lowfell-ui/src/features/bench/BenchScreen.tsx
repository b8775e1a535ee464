import { stored } from "../../api/stored";
import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from "react";
import { Link } from "react-router";
import { queryClient, wording } from "../../api/client";
import { lotKey, stepKey } from "../../api/step";
import type { LogAction, LogKind, Plan, PlannedStep, WorkedWith } from "../../api/types";
import { clock, day } from "../../api/units";
import { duration } from "../../api/words";
import { notify } from "../../ui";
import { chosenSets, follows, planRequest } from "../../craft/planRequest";
import { Core } from "../../craft/Core";
import { logAction } from "../../craft/logAction";
import { type Entry, EntryDialog } from "../../craft/EntryDialog";
import { ranges } from "../../craft/ranges";
import { whereOf } from "../../craft/stepWords";
import { BenchCard } from "./BenchCard";
import { CopyStrip } from "./CopyStrip";
import { EarlyDialog } from "../../craft/EarlyDialog";
import { copiesNow, openSteps, unknownTo } from "./openSteps";
import { benchQueue } from "./queue";
import { dueAt, readyAt, readyFirst } from "./ready";
import { minutesEarly } from "../../craft/minutesEarly";
import { drying, dryingId } from "./drying";
import { Timers, type Timer } from "./Timers";
import { useAwake } from "./useAwake";
import { useNow } from "./useNow";

const timersKey = "lowfell.benchTimers.3";
const awayKey = "lowfell.benchTimersAway";
const mostTimers = 30;
const dayMin = 24 * 60;
const lookMs = 1_000;

/** The card beside the rinse water: what now, with what, for which copies. One wet finger is enough. */
export function BenchScreen() {
  useAwake();
  const pending = useSyncExternalStore(benchQueue.subscribe, () => benchQueue.pending);
  const [timers, setTimers] = useState<Timer[]>(() => stored<Timer[]>(timersKey) ?? []);
  const [away, setAway] = useState<string[]>(() => stored<string[]>(awayKey) ?? []);
  const [rung, setRung] = useState<string[]>([]);
  useEffect(() => localStorage.setItem(awayKey, JSON.stringify(away)), [away]);
  const [putOff, setPutOff] = useState<string[]>([]);
  const [hurrying, setHurrying] = useState<number[]>();
  const [writing, setWriting] = useState<"problem" | "note" | "otherwise">();
  const [otherwise, setOtherwise] = useState<{ key: string; entry: Partial<Entry>; picture?: File }>();
  const [ticked, setTicked] = useState<{ key: string; ticks: WorkedWith[] }>();
  useEffect(() => localStorage.setItem(timersKey, JSON.stringify(timers)), [timers]);
  useEffect(() => void benchQueue.flush(), []);
  const plan = useBenchPlan();
  const now = useNow(lookMs);
  const actions = useMemo(
    () => (plan.data ? unknownTo(plan.data.asked, pending, benchQueue.recent) : []),
    [plan.data, pending],
  );
  const steps = useMemo(
    () => (plan.data ? readyFirst(openSteps(plan.data.plan, actions, putOff), plan.data.plan, actions, now) : []),
    [plan.data, actions, putOff, now],
  );
  // What is begun stays before the painter, whatever a new plan would put first.
  const last = useRef<string>(undefined);
  const ready = (s: PlannedStep) => (plan.data ? readyAt(s, plan.data.plan, actions) : 0);
  const stays = steps.find((s) => stepKey(s) === last.current);
  const step = stays && (ready(stays) <= now || !steps[0] || ready(steps[0]) > now) ? stays : steps[0];
  last.current = step && stepKey(step);
  const readyFrom = step ? ready(step) : 0;
  const due = step && plan.data ? dueAt(step, plan.data.plan, actions) : null;
  const rest = steps.filter((s) => s !== step).slice(0, 3);
  const time = useWorkTime(step);
  const strip = useQuery(queries.zoneProgress(step?.zoneId));
  const shownProgress = strip.data?.progress.find((p) =>
    p.steps.some((s) => step && stepKey({ zoneId: p.zoneId, ...s }) === stepKey(step)),
  );
  const states = useMemo(
    () =>
      shownProgress && strip.data
        ? copiesNow(shownProgress, unknownTo(strip.data.asked, pending, benchQueue.recent))
        : [],
    [shownProgress, strip.data, pending],
  );
  const act = (kind: LogKind, copies: number[], more: Partial<LogAction> = {}, early = false, picture?: File) => {
    if (!step) return;
    if (kind === "done" && !early && minutesEarly(readyFrom, Date.now()) > 0) return setHurrying(copies);
    const own = otherwise?.key === stepKey(step) ? otherwise : undefined;
    const ticks = ticked?.key === stepKey(step) ? ticked.ticks : [];
    const action = logAction(
      step,
      kind,
      copies,
      kind === "done"
        ? { ...own?.entry, ticks, ...time.taken(), ...more }
        : kind === "problem"
          ? { ticks, ...more }
          : more,
    );
    // A picture of what was done otherwise is of the first batch of it: sent again it is known.
    void benchQueue.add(
      action,
      `${step.paint ?? step.what}, ${step.piece}: ${ranges(copies)}`,
      kind === "done" ? own?.picture : picture,
    );
    if (kind !== "done" && kind !== "skipped") return;
    if (kind === "done") setTimers((t) => withTimer(t, step, copies));
    time.next(copies.length < step.copies.length);
    notify(`${step.paint ?? step.what}: ${ranges(copies)} ${kind === "done" ? "done" : "left out"}.`, () => {
      void benchQueue.add(
        logAction(step, "takenBack", copies),
        `${step.paint ?? step.what} taken back: ${ranges(copies)}`,
      );
      setTimers((t) => t.filter((o) => o.key !== stepKey(step) || o.copies?.join() !== copies.join()));
    });
  };
  const shownTimers = useMemo(
    () => drying(timers, plan.data?.plan.drying ?? [], away, rung),
    [timers, plan.data, away, rung],
  );
  const putAway = (t: Timer) => {
    setAway([...away.slice(-mostTimers * 4), t.id]);
    setTimers((all) => all.filter((o) => o.id !== t.id));
  };
  // Kept the same over renders, so that touching one of 500 copies draws that one alone.
  const latest = useRef(act);
  latest.current = act;
  const done = useCallback((copy: number) => latest.current("done", [copy]), []);
  if (!plan.data)
    return <p className="p-6 text-xl">{plan.isError ? wording(plan.error) : "Looking for what is next…"}</p>;
  return (
    <div className="at-the-bench mx-auto flex w-full max-w-4xl flex-col gap-4 p-4 text-xl" data-testid="bench">
      <Waiting />
      {step ? (
        <BenchCard
          step={step}
          started={time.started}
          waits={minutesEarly(readyFrom, now)}
          left={due === null || due - now > dayMin * 60_000 ? null : Math.floor((due - now) / 60_000)}
          otherwise={otherwise?.key === stepKey(step)}
          evening={eveningOf(step, plan.data.plan, now)}
          ahead={getReady(steps, step)}
          ticks={ticked?.key === stepKey(step) ? ticked.ticks : []}
          onTick={(ticks) => setTicked({ key: stepKey(step), ticks })}
          cautionNote={plan.data.plan.cautionNote}
          onStart={time.start}
          onAll={() => act("done", step.copies)}
          onPutOff={() => setPutOff([...putOff, stepKey(step)])}
          onLeaveOut={() => act("skipped", step.copies)}
          onWrite={setWriting}
        >
          <CopyStrip copies={step.copies} progress={shownProgress} states={states} onDone={done} />
        </BenchCard>
      ) : (
        <Nothing putOff={putOff.length > 0} onAgain={() => setPutOff([])} />
      )}
      {hurrying && step && (
        <EarlyDialog
          minutes={Math.max(1, minutesEarly(readyFrom, now))}
          what={`${step.what.toLowerCase()} ${step.paint ?? ""}`.trim()}
          onWait={() => setHurrying(undefined)}
          onLay={() => {
            setHurrying(undefined);
            act("done", hurrying, {}, true);
          }}
        />
      )}
      {writing && step && (
        <EntryDialog
          kind={writing}
          title={`${step.paint ?? step.what}, ${step.piece} ${ranges(step.copies)}`}
          planned={step.paintFraction}
          faults={step.faults}
          at={{ zoneId: step.zoneId, coatId: step.coatId }}
          copies={states.map((_, i) => i + 1)}
          chosen={step.copies}
          onClose={() => setWriting(undefined)}
          pictureWaits
          onWrite={(entry, copies, picture) =>
            writing === "otherwise"
              ? setOtherwise({ key: stepKey(step), entry, picture })
              : act(writing, copies, entry, false, picture)
          }
        />
      )}
      <Timers
        timers={shownTimers}
        onRung={(ids) => setRung([...rung, ...ids])}
        onPutAway={putAway}
        onDry={(t) => {
          void benchQueue.add(logAction(t.step!, "dry", t.copies!), `${t.label} dry`);
          putAway(t);
        }}
      />
      <Then steps={rest} />
    </div>
  );
}

const longestMin = 600;
const longestSetUpMin = 60;

/** Minutes at work on a step, and of setting up for it: from its coming up to its start. */
function useWorkTime(step: PlannedStep | undefined) {
  const key = step ? stepKey(step) : "";
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

/** The evening that a step is planned for, and how much is left of it. */
function eveningOf(step: PlannedStep, plan: Plan, now: number): string {
  const evening = plan.calendar.find((e) => e.steps.some((s) => lotKey(s) === lotKey(step)));
  if (!evening) return "";
  const [open, close] = [Date.parse(evening.openAt), Date.parse(evening.closeAt)];
  if (now >= open && now < close)
    return `This evening, until ${clock(evening.closeAt)}: ${duration((close - now) / 60_000)} left`;
  return now < open ? `Planned for ${day(evening.day)}, ${clock(evening.openAt)}` : `Planned for ${day(evening.day)}`;
}

/** What later steps of the same evening want got ready now: it stands or bleeds while this one is done. */
function getReady(steps: PlannedStep[], now: PlannedStep): string[] {
  const slow = (r: string) => /stand open|bleed/i.test(r);
  const lines = steps
    .filter((s) => s !== now)
    .slice(0, 3)
    .flatMap((s) => s.readying.filter(slow).map((r) => `For later, ${s.paint}: ${r}`));
  return [...new Set(lines)];
}

function withTimer(timers: Timer[], step: PlannedStep, copies: number[]): Timer[] {
  const wait = (new Date(step.nextFrom).getTime() - new Date(step.endAt).getTime()) / 60_000;
  if (wait < 1 || wait >= dayMin) return timers;
  return [
    ...timers.slice(-mostTimers),
    {
      id: dryingId(step, copies),
      label: `${step.piece} ${ranges(copies)}: ${step.paint ?? step.what}`,
      dryAt: Date.now() + wait * 60_000,
      key: stepKey(step),
      step: { zoneId: step.zoneId, coatId: step.coatId, partId: step.partId, pass: step.pass },
      copies,
    },
  ];
}

function Waiting() {
  const count = useSyncExternalStore(benchQueue.subscribe, () => benchQueue.stuck);
  const refused = useSyncExternalStore(benchQueue.subscribe, () => benchQueue.refused);
  return (
    <>
      {count > 0 && (
        <p role="status" className="rounded border border-risk p-3 font-semibold text-risk">
          {count} {count === 1 ? "action waits" : "actions wait"} for the network; nothing is lost.
        </p>
      )}
      {refused.map((r) => (
        <div key={r.id} role="alert" className="rounded border border-stop p-3 text-stop">
          <p>
            {r.what && <strong>{r.what}. </strong>}
            {r.why}
          </p>
          <div className="-mb-2 -ml-3 flex flex-wrap">
            <button type="button" className="min-h-14 px-3 underline" onClick={() => void benchQueue.again(r)}>
              Try again
            </button>
            {r.picture && (
              <button type="button" className="min-h-14 px-3 underline" onClick={() => void benchQueue.again(r, true)}>
                Without its picture
              </button>
            )}
            <button type="button" className="min-h-14 px-3 underline" onClick={() => void benchQueue.forget(r)}>
              Let it go
            </button>
          </div>
        </div>
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
          Bring back what was put off
        </button>
      )}{" "}
      Plan coats in a{" "}
      <Link className="underline" to="/piece">
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
        <p key={`${stepKey(s)} ${s.copies[0]}`} className="flex items-center gap-3 py-1">
          <Core strata={s.sample} after={s.technique ? s.after : undefined} />
          <span>
            {s.what} {s.paint} <span className="text-soft">{whereOf(s)}</span>
          </span>
        </p>
      ))}
      {steps.length === 0 && <p className="text-soft">nothing more</p>}
    </section>
  );
}

function useBenchPlan() {
  const sets = chosenSets();
  const plan = useQuery(queries.benchPlan(sets, planRequest(sets, follows())));
  const asked = plan.isSuccess && !plan.isPlaceholderData;
  useEffect(() => void (asked && keepTonight()), [asked]);
  return plan;
}

/** Tonight's plan is asked for beside the card, so that it opens too while the network is away. */
async function keepTonight() {
  const cards = await queryClient.fetchQuery(queries.cards()).catch(() => []);
  const sets = chosenSets().filter((id) => cards.some((c) => c.id === id));
  await queryClient.prefetchQuery(queries.plan(planRequest(sets, follows()), true));
}
