import { dateLanguage } from "../../api/units";
import { changed } from "../../api/changes";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { HeldPlan as Held, Plan, PlanRequest } from "../../api/types";
import { Button, notify } from "../../ui";
import { saved } from "./saved";
import { day } from "./when";

/** The plan that is held: whether it still stands, how it differs from the one before, and what the evenings came to. */
export function HeldPlan({ plan, request }: { plan: Plan; request: PlanRequest }) {
  const held = plan.kept;
  const change = useMutation({
    // Undo goes back from the plan that came of it, not from the one on the screen.
    mutationFn: async ({ what, from = held?.id }: { what: "hold" | "again" | "back" | "letGo"; from?: string }) => {
      if (what === "hold") return (await ask(api.PUT("/api/plan/held", { body: { request, instead: from } }))).kept?.id;
      const of = { params: { query: { held: from! } } };
      if (what === "again") return (await ask(api.POST("/api/plan/held/again", of))).kept?.id;
      if (what === "back") await ask(api.POST("/api/plan/held/back", of));
      if (what === "letGo") await ask(api.DELETE("/api/plan/held", of));
    },
    onSuccess: async (now, { what }) => {
      await changed("plan");
      notify(
        {
          hold: "You hold to this plan: it stays as it is until you plan again.",
          again: "What is left is planned again from now on.",
          back: "The plan before is back.",
          letGo: "No plan is held; it is made anew each time.",
        }[what],
        what === "again" ? () => change.mutate({ what: "back", from: now }) : undefined,
      );
    },
    onError: (error) => {
      notify(wording(error));
      void changed("plan");
    },
  });
  if (!held)
    return (
      <Button disabled={change.isPending || plan.calendar.length === 0} onClick={() => change.mutate({ what: "hold" })}>
        Hold to this plan
      </Button>
    );
  return (
    <div className="mt-2 border-t border-line pt-2 text-sm" data-testid="held">
      <div className="flex flex-wrap items-center gap-2">
        <p className="min-w-0 flex-1">
          You hold to the plan of{" "}
          {new Date(held.madeAt).toLocaleString(dateLanguage(), {
            weekday: "short",
            day: "numeric",
            month: "short",
            hour: "2-digit",
            minute: "2-digit",
          })}
          .
        </p>
        <Button disabled={change.isPending} onClick={() => change.mutate({ what: "again" })}>
          Plan again from now
        </Button>
        {held.compared && (
          <Button disabled={change.isPending} onClick={() => change.mutate({ what: "back" })}>
            Put the one before back
          </Button>
        )}
        <Button look="quiet" disabled={change.isPending} onClick={() => change.mutate({ what: "letGo" })}>
          Stop holding it
        </Button>
      </div>
      <Troubles held={held} />
      {held.compared && <Compared compared={held.compared} />}
      {held.facts.length > 0 && <Facts facts={held.facts} />}
    </div>
  );
}

function Troubles({ held }: { held: Held }) {
  const steps = (n: number) => `${n} ${n === 1 ? "step" : "steps"}`;
  const troubles = [
    held.slipped > 0 &&
      `${steps(held.slipped)} slipped: ${held.slipped === 1 ? "its" : "their"} evening is over and ${held.slipped === 1 ? "it is" : "they are"} not done.`,
    held.missing > 0 && `${steps(held.missing)} to be done ${held.missing === 1 ? "is" : "are"} not in it.`,
    held.gone > 0 && `${steps(held.gone)} of it ${held.gone === 1 ? "is" : "are"} no longer in a stack.`,
  ].filter((t) => t !== false);
  return troubles.length === 0 ? null : (
    <p className="mt-1 font-semibold text-risk">{troubles.join(" ")} Plan again from now.</p>
  );
}

function Compared({ compared }: { compared: NonNullable<Held["compared"]> }) {
  const [all, setAll] = useState(false);
  const moved = all ? compared.moved : compared.moved.slice(0, 3);
  return (
    <div className="mt-1">
      <p>
        Against the one before: <strong>{saved(compared.before, compared.after)}</strong>
        {compared.moved.length > 0 &&
          `; ${compared.moved.length} ${compared.moved.length === 1 ? "step has" : "steps have"} moved`}
        .
      </p>
      <ul className="text-soft">
        {moved.map((m, i) => (
          <li key={i}>
            {m.what}: {m.from ? day(m.from) : "not planned"} → {m.to ? day(m.to) : "not planned"}
          </li>
        ))}
      </ul>
      {compared.moved.length > 3 && (
        <Button look="quiet" className="!px-0" onClick={() => setAll(!all)}>
          {all ? "Fewer" : `All ${compared.moved.length}`}
        </Button>
      )}
    </div>
  );
}

/** What was planned against what was done, evening by evening. */
function Facts({ facts }: { facts: Held["facts"] }) {
  return (
    <table className="mt-2 w-full text-left" data-testid="facts">
      <caption className="sr-only">Evenings that are over: plan against fact</caption>
      <thead className="text-xs text-soft">
        <tr>
          <th className="font-semibold">Evening</th>
          <th className="font-semibold">Done of planned</th>
          <th className="font-semibold">Later</th>
          <th className="font-semibold">Beside the plan</th>
          <th className="font-semibold">Minutes, real of planned</th>
        </tr>
      </thead>
      <tbody>
        {facts.map((f) => (
          <tr key={f.day} className="border-t border-line">
            <td>{day(f.day)}</td>
            <td>
              {f.done} of {f.planned}
            </td>
            <td>{f.later || ""}</td>
            <td>{f.extra || ""}</td>
            <td>
              {f.realMin != null && f.measuredPlanMin != null
                ? `${f.realMin} of ${f.measuredPlanMin} min`
                : `not taken; ${f.plannedMin} min planned`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
