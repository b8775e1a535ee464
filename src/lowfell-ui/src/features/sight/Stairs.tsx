import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { PieceSight, PieceStairs } from "../../api/types";
import { duration, finishWord, number, sightWord } from "../../api/words";
import { Button, Field, notify, NumberInput } from "../../ui";

type Cut = PieceStairs["finishes"][number];

interface Props {
  pieceId: string;
  metres: number | undefined;
  room: PieceSight["room"];
  eyes: PieceSight["eyes"];
}

/** Which coat makes it good enough: what a finish, or so many minutes, leave out, shown before it is taken. */
export function Stairs({ pieceId, metres, room, eyes }: Props) {
  const [minutes, setMinutes] = useState<number>();
  const [chosen, setChosen] = useState<string>();
  const stairs = useQuery(queries.stairs(pieceId, metres, room, eyes, minutes));
  const leave = useLeaveOut(pieceId, () => {
    setChosen(undefined);
    setMinutes(undefined);
  });
  const { data } = stairs;
  if (!data || data.stairs.length === 0) return null;
  const cuts = data.within ? [...data.finishes, data.within] : data.finishes;
  const nameOf = (c: Cut) => c.finish ?? "minutes";
  const shown = cuts.find((c) => nameOf(c) === chosen);
  const coats = shown?.steps.flatMap((s) => s.coatIds.map((coatId) => ({ zoneId: s.zoneId, coatId }))) ?? [];
  return (
    <section
      aria-label="Which coat makes it good enough"
      className="min-w-0 flex-1 basis-full sm:basis-96 rounded-lg border border-line bg-panel p-3"
    >
      <div className="flex flex-wrap items-end gap-3">
        <div>
          <h2 className="font-semibold">Good enough</h2>
          <p className="text-sm text-soft">{number(data.minutes, 0)} minutes a copy now.</p>
        </div>
        <div role="group" aria-label="How far it is taken" className="flex flex-wrap gap-2">
          {cuts.map((c) => (
            <button
              key={nameOf(c)}
              type="button"
              aria-pressed={chosen === nameOf(c)}
              onClick={() => setChosen(chosen === nameOf(c) ? undefined : nameOf(c))}
              className="min-h-9 rounded border border-strong bg-raised px-3 text-left text-sm leading-tight aria-pressed:border-accent aria-pressed:bg-tint"
            >
              <span className="font-semibold">{c.finish ? finishWord[c.finish] : "within your minutes"}</span>
              <span className="block text-xs text-soft">
                {c.steps.length === 0
                  ? "as it is"
                  : `${number(c.minutes, 0)} min without ${c.steps.length === 1 ? "one coat" : `${c.steps.length} coats`}`}
                {!c.enough && ", no less"}
              </span>
            </button>
          ))}
        </div>
        <Field label="Minutes a copy" className="w-28">
          {(id) => (
            <NumberInput
              id={id}
              value={minutes ?? null}
              bound={{ min: 0, max: 10_000, unit: "min" }}
              unit="min"
              onChange={(m) => {
                setMinutes(m);
                setChosen("minutes");
              }}
              onEmpty={() => setMinutes(undefined)}
            />
          )}
        </Field>
      </div>
      {shown && shown.steps.length === 0 && (
        <p className="mt-2 text-sm">Every coat of it is seen from {number(shown.metres, 1)} m: nothing is left out.</p>
      )}
      {shown && shown.steps.length > 0 && (
        <div className="mt-3 grid grid-cols-1 gap-4 lg:grid-cols-[minmax(0,1fr)_auto]" data-testid="cut">
          <div>
            <p className="mb-1 text-sm font-semibold">
              {number(data.minutes, 0)} minutes a copy now, {number(shown.minutes, 0)} without{" "}
              {shown.steps.length === 1 ? "this one" : "these"}:
            </p>
            <Descent data={data} cut={shown} />
            {data.alsoOn.length > 0 && (
              <p className="mt-2 text-sm text-risk">These coats are also those of {data.alsoOn.join(", ")}.</p>
            )}
            <Button
              look="main"
              className="mt-2"
              disabled={leave.isPending}
              onClick={() => leave.mutate({ coats, skip: true })}
            >
              Leave {shown.steps.length === 1 ? "it" : "them"} out
            </Button>
          </div>
          <Before colours={shown.colours} />
        </div>
      )}
    </section>
  );
}

interface Leaving {
  coats: { zoneId: string; coatId: string }[];
  skip: boolean;
}

/** Leaves coats of a piece out, with a way back. */
export function useLeaveOut(pieceId: string, onLeft: () => void) {
  const leave = useMutation({
    mutationFn: ({ coats, skip }: Leaving) =>
      ask(api.POST("/api/pieces/{id}/sight/cut", { params: { path: { id: pieceId } }, body: { coats, skip } })),
    onSuccess: async (_, { coats, skip }: Leaving) => {
      await changed("stack");
      onLeft();
      if (skip)
        notify(coats.length === 1 ? "One coat is left out." : `${coats.length} coats are left out.`, () =>
          leave.mutate({ coats, skip: false }),
        );
      else notify("They are in again.");
    },
    onError: (error) => notify(wording(error)),
  });
  return leave;
}

/** The stairs down: what goes, and the minutes that are left after it. */
function Descent({ data, cut }: { data: PieceStairs; cut: Cut }) {
  const all = data.minutes * data.copies;
  return (
    <ol className="text-sm">
      {cut.steps.map((s) => (
        <li key={s.coatIds[0]} className="flex items-center gap-2 py-0.5">
          <span aria-hidden className="h-3 w-32 shrink-0 rounded-sm bg-raised">
            <span
              className="block h-full rounded-sm bg-accent"
              style={{ width: `${(100 * s.minutesLeft) / Math.max(1, all)}%` }}
            />
          </span>
          <span className="min-w-0">
            <strong className="font-semibold">{s.what}</strong> <span className="text-soft">on {s.zone}</span>,{" "}
            {duration(s.minutes)} over all copies, {sightWord[s.word]}
            {s.coatIds.length > 1 && <span className="text-soft">, with what belongs to it</span>}
          </span>
        </li>
      ))}
    </ol>
  );
}

/** Recess, face and edge before and after, zone by zone. */
function Before({ colours }: { colours: Cut["colours"] }) {
  return (
    <ul className="flex flex-col gap-2">
      {colours.map((c) => (
        <li key={c.zoneId} className="text-xs text-soft">
          {c.zone}
          <span className="mt-0.5 flex items-center gap-1">
            {[c.before, c.after].map((side, i) => (
              <span key={i} aria-hidden className="flex overflow-hidden rounded-sm border border-line">
                {side.map((colour, h) => (
                  <span key={h} className="h-9 w-7" style={{ background: colour }} />
                ))}
              </span>
            ))}
            <span className="sr-only">
              now {c.before.join(", ")}; without {c.after.join(", ")}
            </span>
          </span>
        </li>
      ))}
    </ul>
  );
}
