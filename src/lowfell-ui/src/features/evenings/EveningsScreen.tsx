import type { PlanLook } from "../../api/planQueries";
import { queries } from "../../api/queries";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { useChosen } from "../../craft/useChosen";
import { placesCame } from "../../api/baseQueries";
import { picturesCame } from "../../craft/PiecePicture";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { lotKey } from "../../api/step";
import type { Plan } from "../../api/types";
import { duration } from "../../api/words";
import { Button, notify, Toggle } from "../../ui";
import { BenchSheet } from "./BenchSheet";
import { EveningBand } from "./EveningBand";
import { FollowCalendar } from "./FollowCalendar";
import { HeldPlan } from "./HeldPlan";
import { Learned } from "./Learned";
import { chosenSets, follows, planRequest, rememberFollows, rememberSets } from "../../craft/planRequest";
import { CopyCosts, PlanFindings } from "./PlanFindings";
import { Search } from "./Search";
import { StepPanel } from "./StepPanel";
import { saved } from "./saved";
import { longDay } from "./when";
import { WhatIfs } from "./WhatIfs";

/** When it is done, and what is for tonight. */
export function EveningsScreen() {
  const sets = useQuery(queries.cards());
  const [chosen, setChosen] = useState<string[]>(chosenSets);
  const [open, setOpen] = useChosen("step");
  const [printing, setPrinting] = useState<"next" | "all">();
  const sheet = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!printing) return;
    let wanted = true;
    void Promise.all([placesCame(), picturesCame(sheet.current ?? document)]).then(() => {
      if (!wanted) return;
      window.print();
      setPrinting(undefined);
    });
    return () => {
      wanted = false;
    };
  }, [printing]);
  const [learn, setLearn] = useState(follows);
  const known = chosen.filter((id) => sets.data?.some((s) => s.id === id));
  const request = planRequest(known, learn);
  const inForce = useQuery(queries.plan(request, sets.data !== undefined));
  const [look, setLook] = useState<PlanLook>();
  const looked = useQuery(queries.planLook(look));
  const plan = look ? looked : inForce;
  const choose = (id: string, on: boolean) => {
    const next = on ? [...known, id] : known.filter((k) => k !== id);
    setChosen(next);
    rememberSets(next);
  };
  const error = plan.error ?? sets.error;
  const steps = plan.data?.calendar.flatMap((e) => e.steps.map((step) => ({ step, evening: e }))) ?? [];
  const place = Math.max(
    0,
    steps.findIndex(({ step }) => lotKey(step) === open),
  );
  const current = steps[place];
  return (
    <>
      <div className="mx-auto grid w-full max-w-[1500px] flex-1 grid-cols-1 items-start gap-3 p-3 lg:grid-cols-[minmax(0,1fr)_21rem] print:hidden">
        <div className="flex min-w-0 flex-col gap-3">
          <section aria-label="The plan" className="rounded-lg border border-line bg-panel p-3">
            <div className="flex items-center gap-2">
              <h1 className="flex-1 text-lg font-semibold">The plan</h1>
              <Button disabled={!plan.data?.calendar.length} onClick={() => setPrinting("next")}>
                Print the next evening
              </Button>
              <Button disabled={!plan.data?.calendar.length} onClick={() => setPrinting("all")}>
                Print all
              </Button>
              <FollowCalendar sets={known} />
            </div>
            <fieldset
              disabled={Boolean(look ?? plan.data?.kept)}
              className="flex flex-wrap items-center gap-x-4 disabled:hidden"
            >
              <legend className="sr-only">Sets to plan; all of them where none is ticked</legend>
              <span className="text-sm text-soft">{known.length === 0 ? "All sets, or only" : "Only"}</span>
              {sets.data?.map((s) => (
                <Toggle key={s.id} label={s.name} checked={known.includes(s.id)} onChange={(on) => choose(s.id, on)} />
              ))}
            </fieldset>
            {error && (
              <p role="alert" className="mt-2 text-sm font-semibold text-stop">
                {wording(error)}
              </p>
            )}
            {!plan.data && !error && <p className="mt-1 text-sm text-soft">Planning…</p>}
            {plan.data && (
              <div className={plan.data.kept && !look ? "" : "flex items-end gap-3"}>
                <div className="min-w-0 flex-1">
                  <Verdict plan={plan.data} whole={known.length === 0} />
                </div>
                {!look && (plan.data.steps > 0 || plan.data.kept) && <HeldPlan plan={plan.data} request={request} />}
              </div>
            )}
            {look && <Looking look={look} inForce={inForce.data} plan={plan.data} onBack={() => setLook(undefined)} />}
          </section>
          {plan.data && plan.data.calendar.length > 0 && (
            <section
              aria-label="Calendar"
              className="rounded-lg border border-line bg-panel py-2"
              data-testid="evenings"
            >
              {plan.data.calendar.map((evening) => (
                <EveningBand
                  key={evening.openAt}
                  evening={evening}
                  current={current ? lotKey(current.step) : undefined}
                  onOpen={(step) => setOpen(lotKey(step))}
                />
              ))}
            </section>
          )}
        </div>
        <div className="flex flex-col gap-3">
          {plan.data && current && (
            <StepPanel
              step={current.step}
              evening={current.evening}
              cautionNote={plan.data.cautionNote}
              onEarlier={place > 0 ? () => setOpen(lotKey(steps[place - 1]!.step)) : undefined}
              onLater={place < steps.length - 1 ? () => setOpen(lotKey(steps[place + 1]!.step)) : undefined}
            />
          )}
          {plan.data && <PlanFindings findings={plan.data.findings} />}
          {plan.data && <CopyCosts costs={plan.data.copies} />}
          {plan.data && plan.data.steps > 0 && (
            <Search
              request={inForce.data?.kept?.request ?? request}
              shown={inForce.data?.summary ?? plan.data.summary}
              looking={look?.planId}
              held={inForce.data?.kept?.id}
              onLook={setLook}
            />
          )}
          {inForce.data && inForce.data.steps > 0 && (
            <WhatIfs request={inForce.data.kept?.request ?? request} looking={look?.name} onLook={setLook} />
          )}
          {plan.data && (
            <Learned
              learned={plan.data.learned}
              follows={learn}
              onFollow={
                plan.data.kept
                  ? undefined
                  : (on) => {
                      setLearn(on);
                      rememberFollows(on);
                    }
              }
            />
          )}
        </div>
      </div>
      <div ref={sheet}>
        {plan.data && <BenchSheet plan={plan.data} all={printing === "all"} pictures={printing !== undefined} />}
      </div>
    </>
  );
}

function Verdict({ plan, whole }: { plan: Plan; whole: boolean }) {
  const s = plan.summary;
  if (plan.steps === 0)
    return (
      <p className="mt-1 text-sm text-soft">
        {whole ? "Nothing is left to paint. Plan coats in a " : "These sets are done. Plan coats in a "}
        <Link to="/piece" className="underline">
          stack
        </Link>
        .
      </p>
    );
  return (
    <div className="mt-1 text-sm">
      <p data-testid="verdict">
        {s.doneOn ? (
          <>
            Done <strong>{longDay(s.doneOn)}</strong>
            {s.notBefore === s.doneOn ? (
              <>; no plan can be done sooner</>
            ) : s.notBeforeGrouped === s.doneOn ? (
              <>; with copies grouped as now no plan can be done sooner</>
            ) : (
              s.notBefore && <>; no plan can be done before {longDay(s.notBefore)}</>
            )}
            .{" "}
          </>
        ) : (
          <strong className="text-stop">{plan.problem} </strong>
        )}
        <span className="text-soft">
          {s.evenings} evenings, {duration(s.workMin)} of work on {plan.steps} steps, {s.setUps} set-ups
          {s.idleMin >= 1 && `, ${duration(s.idleMin)} of waiting`}.
        </span>
      </p>
      {plan.due.map((d) => (
        <p key={d.setId} className={d.late ? "font-semibold text-risk" : "text-soft"} data-testid="due">
          {d.name} has to be ready by {longDay(d.readyBy)}:{" "}
          {d.doneOn ? `done ${longDay(d.doneOn)}` : "not all of it is planned"}
          {d.late ? ", too late." : "."}
          {d.help.length > 0 && ` What would have to go: ${d.help.map(helped).join("; ")}.`}
        </p>
      ))}
      <LeftOver plan={plan} />
      {plan.waiting.map((w) => (
        <p key={w} className="font-semibold text-risk">
          {w}
        </p>
      ))}
    </div>
  );
}

/** "with the other sets put off: 2026-12-05" with its day in words. */
const helped = (help: string) => help.replace(/\d{4}-\d{2}-\d{2}$/, (of) => longDay(of));

/** What the plan does not have, beside its date. */
function LeftOver({ plan }: { plan: Plan }) {
  const { steps, zones, more } = plan.notPlanned;
  if (steps + plan.later.length === 0) return null;
  return (
    <div className="text-risk" data-testid="left-over">
      {steps > 0 && (
        <p>
          <strong>
            {steps} {steps === 1 ? "step is" : "steps are"} not in it:
          </strong>{" "}
          {zones.map((z) => `${z.where} (${z.steps})`).join("; ")}
          {more > 0 && ` and ${more} more`}.
        </p>
      )}
      {plan.later.length > 0 && (
        <p>
          <strong>
            {plan.later.length} {plan.later.length === 1 ? "set is" : "sets are"} not begun in it:
          </strong>{" "}
          {plan.later.slice(0, 4).join(", ")}
          {plan.later.length > 4 && ` and ${plan.later.length - 4} more`}.
        </p>
      )}
    </div>
  );
}

interface LookingProps {
  look: PlanLook;
  inForce: Plan | undefined;
  plan: Plan | undefined;
  onBack: () => void;
}

/** A plan that is looked at before it is held: what it changes, and the one press that takes it. */
function Looking({ look, inForce, plan, onBack }: LookingProps) {
  const hold = useMutation({
    mutationFn: () =>
      ask(
        api.PUT("/api/plan/held", {
          body: { ...(look.planId ? { planId: look.planId } : { request: look.request }), instead: inForce?.kept?.id },
        }),
      ),
    onSuccess: async () => {
      await changed("plan");
      onBack();
      notify("You hold to this plan now.");
    },
    onError: (error) => {
      notify(wording(error));
      void changed("plan");
    },
  });
  return (
    <div
      role="status"
      className="mt-2 flex flex-wrap items-center gap-2 border-t border-line pt-2 text-sm"
      data-testid="looking"
    >
      <p className="min-w-0 flex-1">
        You look at <strong>{look.name}</strong>
        {plan && inForce && `; against the plan: ${saved(inForce.summary, plan.summary, look.planId !== undefined)}`}.
      </p>
      <Button look="main" disabled={!plan?.calendar.length || hold.isPending} onClick={() => hold.mutate()}>
        Hold to it
      </Button>
      <Button onClick={onBack}>Back to the plan</Button>
    </div>
  );
}
