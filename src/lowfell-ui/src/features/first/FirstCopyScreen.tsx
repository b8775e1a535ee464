import { useMutation, useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { FirstCopy } from "../../api/types";
import { dateAndTime } from "../../api/units";
import { duration, logKindWord, number, offFigure } from "../../api/words";
import { logAction } from "../../craft/logAction";
import { planRequest } from "../../craft/planRequest";
import { ranges } from "../../craft/ranges";
import { Button, Chip, Failed, notify } from "../../ui";

/** After the first copy of a batch: what it took against the plan, how it looks, what was said, and what to change for the rest. */
export function FirstCopyScreen() {
  const { pieceId = "" } = useParams();
  const first = useQuery(queries.firstCopy(pieceId));
  if (first.isError) return <Failed why={wording(first.error)} onAgain={() => void first.refetch()} />;
  if (first.data === undefined) return <p className="p-4 text-soft">Looking at the first copy…</p>;
  if (first.data === null)
    return (
      <p className="rounded-lg border border-line bg-panel p-6 text-sm text-soft">
        When the first copy of this piece is finished and others are not, it is laid against its plan here: what it
        took, and what to mask, to leave out or to batch on the rest.
      </p>
    );
  return <First pieceId={pieceId} first={first.data as FirstCopy} />;
}

function First({ pieceId, first }: { pieceId: string; first: FirstCopy }) {
  const more = first.realMin != null ? first.realMin - first.plannedMin : 0;
  return (
    <div className="grid grid-cols-1 items-start gap-3 xl:grid-cols-[minmax(0,1fr)_24rem]">
      <section aria-label="The first copy" className="rounded-lg border border-line bg-panel">
        <div className="px-4 py-2">
          <h1 className="text-lg font-semibold">
            Copy {first.copy} is finished; {first.rest.length === 1 ? "copy" : "copies"} {ranges(first.rest)}{" "}
            {first.rest.length === 1 ? "is" : "are"} to come
          </h1>
          <p className="text-sm" data-testid="took">
            {first.realMin == null
              ? "Nobody took its minutes: press Start on the bench card, and they are laid against the plan."
              : `What was measured took ${duration(first.realMin)} where ${duration(first.plannedMin)} were planned${Math.abs(more) < 1 ? "." : `: ${duration(Math.abs(more))} ${more > 0 ? "more" : "less"}, ${duration(Math.abs(more) * first.rest.length)} over the rest.`}`}
          </p>
        </div>
        <table className="w-full text-sm" data-testid="first-steps">
          <thead className="text-xs text-soft">
            <tr>
              <th className="py-1 pl-4 text-left font-semibold">Step</th>
              <th className="text-left font-semibold">zone</th>
              <th className="text-right font-semibold">planned</th>
              <th className="text-right font-semibold">took</th>
              <th className="pr-4 text-right font-semibold">change seen, dE</th>
            </tr>
          </thead>
          <tbody>
            {first.steps.map((s) => (
              <tr key={`${s.zoneId} ${s.coatId} ${s.pass}`} className="border-t border-line">
                <td className="py-1 pl-4">{s.what}</td>
                <td className="text-soft">{s.zone}</td>
                <td className="text-right whitespace-nowrap">{number(s.plannedMin)} min</td>
                <td
                  className={`text-right whitespace-nowrap ${s.realMin != null && s.realMin > 1.25 * s.plannedMin ? "font-semibold text-risk" : ""}`}
                >
                  {s.skipped ? "left out" : s.realMin != null ? `${number(s.realMin)} min` : ""}
                </td>
                <td className="pr-4 text-right">{s.deltaE != null ? number(s.deltaE) : ""}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <div className="flex flex-col gap-3">
        <Offers pieceId={pieceId} first={first} />
        <section aria-label="How it looks" className="rounded-lg border border-line bg-panel p-3 text-sm">
          <h2 className="mb-1 font-semibold">Is it as it was meant?</h2>
          {first.looks.map((l) => (
            <p key={l.zone} className="flex items-center gap-3 py-1">
              <Chip colour={l.look} className="h-8 w-24" /> {l.zone}
            </p>
          ))}
          <p className="text-xs text-soft">
            Recess, face and edge as they are predicted: lay the copy beside the screen.
          </p>
        </section>
        <section aria-label="What was said" className="rounded-lg border border-line bg-panel p-3 text-sm">
          <h2 className="mb-1 font-semibold">What was said of it</h2>
          {first.said.length === 0 && <p className="text-soft">Nothing was done differently.</p>}
          {first.said.map((s, i) => (
            <p key={i} className="border-t border-line py-1 first-of-type:border-t-0">
              <span className={s.kind === "problem" ? "font-semibold text-risk" : "text-soft"}>
                {logKindWord[s.kind]}
              </span>{" "}
              {s.what}: {s.said} <span className="text-xs text-soft">{dateAndTime(s.at)}</span>
            </p>
          ))}
        </section>
      </div>
    </div>
  );
}

/** Three offers to the rest: mask, leave out, batch. Each is taken with one press and has a way back. */
function Offers({ pieceId, first }: { pieceId: string; first: FirstCopy }) {
  const page = useQuery(queries.piece(pieceId));
  const setId = page.data?.setId;
  const take = useMutation({
    mutationFn: async (offer: "mask" | "drop" | "batch") => {
      if (offer === "drop") {
        const d = first.drop!;
        for (let pass = 1; pass <= d.passes; pass++)
          await ask(
            api.POST("/api/log", {
              body: logAction({ zoneId: d.zoneId, coatId: d.coatId, pass }, "skipped", first.rest),
            }),
          );
      } else {
        const request = {
          ...planRequest(setId ? [setId] : [], true),
          ...(offer === "mask" ? { overspray: "mask" as const } : { mostCopies: Math.max(1, first.batch) }),
        };
        const before = await ask(api.GET("/api/plan/held"));
        const plan = await ask(api.PUT("/api/plan/held", { body: { request, instead: before.id } }));
        return { offer, held: plan.kept!.id, replaced: before.id != null };
      }
      return { offer };
    },
    onSuccess: async ({ offer, held, replaced }) => {
      await changed("log", "plan");
      if (offer === "drop") {
        const d = first.drop!;
        notify(`${d.what}: left out on ${ranges(first.rest)}.`, () => void backIn(d, first.rest));
      } else notify("You hold to a plan that does so.", () => void letGo(held!, replaced!));
    },
    onError: (error) => notify(wording(error)),
  });
  const mask = first.maskSavesMin;
  return (
    <section
      aria-label="For the rest"
      className="rounded-lg border border-line bg-panel p-3 text-sm"
      data-testid="offers"
    >
      <h2 className="mb-1 font-semibold">For the other {first.rest.length}</h2>
      <Offer
        title="Mask"
        text={
          mask == null
            ? "Nothing is sprayed beside another zone."
            : mask > 0
              ? `Masking next to every spray saves ${duration(mask)} of touching up.`
              : `Masking takes ${duration(-mask)} more than touching up does.`
        }
        disabled={mask == null || mask <= 0 || take.isPending}
        onTake={() => take.mutate("mask")}
      />
      <Offer
        title="Leave out"
        text={
          first.drop
            ? `Without ${first.drop.what} it ends ${offFigure(first.drop.deltaE)}, and is done in ${duration(first.drop.savedMin)} less.`
            : "Each coat is worth its minutes."
        }
        disabled={!first.drop || take.isPending}
        onTake={() => take.mutate("drop")}
      />
      <Offer
        title="Batch"
        text={
          first.rest.length === 1
            ? "One copy is left: there is nothing to batch."
            : first.batch > 1
              ? `${Math.min(first.batch, first.rest.length)} at a time hide the waits of an evening behind the work.`
              : "The work of one copy hides its waits: any number will do."
        }
        disabled={first.batch <= 1 || first.rest.length === 1 || take.isPending}
        onTake={() => take.mutate("batch")}
      />
    </section>
  );
}

interface OfferProps {
  title: string;
  text: string;
  disabled: boolean;
  onTake: () => void;
}

function Offer({ title, text, disabled, onTake }: OfferProps) {
  return (
    <div className="flex items-center gap-3 border-t border-line py-2">
      <p className="min-w-0 flex-1">
        <strong>{title}.</strong> {text}
      </p>
      <Button disabled={disabled} onClick={onTake}>
        Do so<span className="sr-only">: {title.toLowerCase()}</span>
      </Button>
    </div>
  );
}

async function backIn(d: NonNullable<FirstCopy["drop"]>, copies: number[]) {
  for (let pass = 1; pass <= d.passes; pass++)
    await ask(
      api.POST("/api/log", { body: logAction({ zoneId: d.zoneId, coatId: d.coatId, pass }, "takenBack", copies) }),
    );
  await changed("log");
}

async function letGo(held: string, replaced: boolean) {
  const of = { params: { query: { held } } };
  try {
    await (replaced ? ask(api.POST("/api/plan/held/back", of)) : ask(api.DELETE("/api/plan/held", of)));
  } catch (error) {
    notify(wording(error));
  }
  await changed("plan");
}
