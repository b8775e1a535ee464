import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import { lotKey } from "../../api/step";
import type { Amounts, PlannedEvening } from "../../api/types";
import { millilitres } from "../../api/units";
import { duration } from "../../api/words";
import { Core } from "../../craft/Core";
import { chosenSets, follows, planRequest } from "../../craft/planRequest";
import { counted, whereOf } from "../../craft/stepWords";
import { useTitle } from "../../craft/useTitle";
import { Chip } from "../../ui";
import { clock, day, minutesBetween } from "./when";

/** The next evening, step by step; what to get ready for it and what to buy before it. */
export function TonightScreen() {
  const cards = useQuery(queries.cards());
  const chosen = chosenSets().filter((id) => cards.data?.some((c) => c.id === id));
  const plan = useQuery(queries.plan(planRequest(chosen, follows()), cards.data !== undefined));
  const evening = plan.data?.calendar[0];
  const tonight = plan.data && evening?.day === plan.data.today;
  useTitle(evening && `${tonight ? "Tonight" : day(evening.day)}, ${evening.steps.length} steps`);
  const error = plan.error ?? cards.error;
  if (error && !plan.data)
    return (
      <p role="alert" className="p-6 font-semibold text-stop">
        {wording(error)}
      </p>
    );
  if (!plan.data) return <p className="p-6 text-soft">Planning…</p>;
  if (!evening) return <NothingTonight problem={plan.data.problem ?? null} steps={plan.data.steps} />;
  const work = evening.steps.reduce((n, s) => n + minutesBetween(s.startAt, s.endAt), 0);
  const setUps = evening.steps.filter((s) => s.setUpMin > 0).length;
  return (
    <div className="mx-auto grid w-full max-w-[1500px] grid-cols-1 items-start gap-3 p-3 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <section aria-label={tonight ? "Tonight" : day(evening.day)} className="rounded-lg border border-line bg-panel">
        <div className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 py-3">
          <h1 className="text-lg font-semibold">
            {tonight ? "Tonight" : "Next"}, {day(evening.day)}
          </h1>
          <p className="flex-1 text-sm text-soft">
            {clock(evening.openAt)} to {clock(evening.closeAt)}, {duration(work)} of work, {setUps}{" "}
            {setUps === 1 ? "set-up" : "set-ups"}
          </p>
          <Link
            to="/bench"
            className="inline-flex min-h-9 items-center rounded border border-accent bg-accent px-3 text-sm font-semibold text-on-accent"
          >
            Begin at the bench
          </Link>
        </div>
        <ol data-testid="tonight">
          {evening.steps.map((s) => (
            <li key={lotKey(s)} className="border-t border-line">
              <Link
                to={`/evenings/plan?step=${encodeURIComponent(lotKey(s))}`}
                className="grid grid-cols-[3.2rem_auto_minmax(0,1fr)_auto] items-center gap-3 px-4 py-2 hover:bg-raised"
              >
                <span className="font-semibold">{clock(s.startAt)}</span>
                <Core strata={s.sample} after={s.technique ? s.after : undefined} />
                <span className="min-w-0">
                  <span className="block font-semibold">
                    {s.what} {s.paint}
                  </span>
                  <span className="block text-sm text-soft">
                    {whereOf(s)}
                    {s.mix && `; ${counted(s)}`}
                    {s.nextBy && `; next by ${clock(s.nextBy)}`}
                  </span>
                </span>
                <span className="text-sm whitespace-nowrap">{duration(minutesBetween(s.startAt, s.endAt))}</span>
              </Link>
            </li>
          ))}
        </ol>
      </section>
      <div className="flex flex-col gap-3">
        <GetReady evening={evening} cautionNote={plan.data.cautionNote} />
        <ToBuy evening={evening} sets={chosen} />
        <Rest count={plan.data.calendar.length - 1} done={plan.data.summary.doneOn ?? null} />
      </div>
    </div>
  );
}

/** What is done to the materials before the first step, each once. */
function GetReady({ evening, cautionNote }: { evening: PlannedEvening; cautionNote: string }) {
  const lines = [
    ...new Set(evening.steps.flatMap((s) => (s.readying.length > 0 ? [`${s.paint}: ${s.readying.join(" ")}`] : []))),
  ];
  const cautions = [...new Set(evening.steps.flatMap((s) => s.cautions ?? []))];
  if (lines.length + cautions.length === 0) return null;
  return (
    <section aria-label="Get ready" className="rounded-lg border border-line bg-panel p-3 text-sm">
      <h2 className="mb-1 font-semibold">Get ready</h2>
      <ul>
        {lines.map((l) => (
          <li key={l} className="py-0.5">
            {l}
          </li>
        ))}
      </ul>
      {cautions.length > 0 && (
        <>
          <ul className="mt-1 border-t border-line pt-1">
            {cautions.map((c) => (
              <li key={c} className="py-0.5">
                {c}
              </li>
            ))}
          </ul>
          <p className="text-xs text-soft">{cautionNote}</p>
        </>
      )}
    </section>
  );
}

/** What the shelf lacks for what is planned, that of this evening first. */
function ToBuy({ evening, sets }: { evening: PlannedEvening; sets: string[] }) {
  const amounts = useQuery(queries.amounts({ palette: "wet", setId: sets.length === 1 ? sets[0] : undefined }));
  const lacking = (amounts.data?.materials ?? []).filter((m) => m.verdict !== "enough");
  const now = new Set(evening.steps.map((s) => s.paint));
  if (!amounts.data) return null;
  const soon: Amounts["materials"] = lacking.toSorted((a, b) => Number(now.has(b.name)) - Number(now.has(a.name)));
  return (
    <section aria-label="To buy" className="rounded-lg border border-line bg-panel p-3 text-sm">
      <h2 className="mb-1 font-semibold">To buy</h2>
      {lacking.length === 0 && <p className="text-soft">The shelf has enough of everything that is planned.</p>}
      <ul data-testid="to-buy">
        {soon.map((m) => (
          <li key={m.materialId} className="flex items-center gap-2 py-0.5">
            <Chip colour={m.colour} className="h-4 w-7 shrink-0" />
            <span className="min-w-0 flex-1">
              {m.name} {now.has(m.name) && <strong className="text-risk">for this evening</strong>}
            </span>
            <span className="whitespace-nowrap text-soft">{millilitres(m.shortMl)} short</span>
          </li>
        ))}
      </ul>
      {lacking.length > 0 && (
        <Link to="/shelf/amounts" className="mt-1 block underline">
          The whole list
        </Link>
      )}
    </section>
  );
}

function Rest({ count, done }: { count: number; done: string | null }) {
  return (
    <section aria-label="Then" className="rounded-lg border border-line bg-panel p-3 text-sm">
      <h2 className="mb-1 font-semibold">Then</h2>
      <p>
        {count > 0 ? `${count} more ${count === 1 ? "evening" : "evenings"}` : "That is the last of it"}
        {done && <>; done {day(done)}</>}.{" "}
        <Link to="/evenings/plan" className="underline">
          The whole plan
        </Link>
      </p>
    </section>
  );
}

function NothingTonight({ problem, steps }: { problem: string | null; steps: number }) {
  return (
    <div className="mx-auto max-w-md p-10 text-center">
      <h1 className="mb-2 text-xl font-semibold">{steps > 0 ? "No evening ahead" : "Nothing is left to paint"}</h1>
      <p className="mb-4 text-soft">{problem ?? "Plan coats on a piece, and they come up here."}</p>
      <Link to={steps > 0 ? "/evenings/calendar" : "/piece"} className="font-semibold text-accent underline">
        {steps > 0 ? "Say when you paint" : "Go to a piece"}
      </Link>
    </div>
  );
}
