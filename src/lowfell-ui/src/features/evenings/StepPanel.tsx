import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask, queryClient, wording } from "../../api/client";
import { newId } from "../../api/newId";
import type { PlannedEvening, PlannedStep } from "../../api/types";
import { number } from "../../api/words";
import { Button, Chip, notify, TextInput } from "../../ui";
import { ranges } from "../mixes/ranges";
import { clock, day, dryAt } from "./when";

interface Props {
  step: PlannedStep;
  evening: PlannedEvening;
  timeZone: string;
  cautionNote: string;
  onEarlier?: () => void;
  onLater?: () => void;
}

const refresh = () =>
  queryClient.invalidateQueries({ predicate: (q) => ["plan", "whatIfs", "log"].includes(String(q.queryKey[0])) });

/** One step: for which copies, with what, what it should look like, when it is dry; and that it is done. */
export function StepPanel({ step, evening, timeZone, cautionNote, onEarlier, onLater }: Props) {
  const [note, setNote] = useState("");
  const write = useMutation({
    networkMode: "always",
    mutationFn: ({ kind, id }: { kind: "done" | "takenBack" | "problem"; id: string }) =>
      ask(
        api.POST("/api/log", {
          body: {
            id,
            kind,
            zoneId: step.zoneId,
            coatId: step.coatId,
            pass: step.pass,
            copies: step.copies,
            note: kind === "problem" ? note : "",
          },
        }),
      ),
    onSuccess: async (_, { kind }) => {
      await refresh();
      if (kind === "done")
        notify(`${step.paint ?? step.what} is on ${step.piece} ${ranges(step.copies)}.`, () =>
          write.mutate({ kind: "takenBack", id: newId() }),
        );
      if (kind === "problem") {
        setNote("");
        notify("Written down.");
      }
    },
    onError: (error) => notify(wording(error)),
  });
  return (
    <section aria-label="The step" className="rounded-lg border border-line bg-panel p-3 text-sm" data-testid="step">
      <div className="mb-1 flex gap-2">
        <Button look="quiet" className="!px-2" disabled={!onEarlier} onClick={onEarlier}>
          ‹ Earlier
        </Button>
        <Button look="quiet" className="!px-2" disabled={!onLater} onClick={onLater}>
          Later ›
        </Button>
      </div>
      <p className="text-soft">
        {day(evening.day)}, {clock(step.startUtc, timeZone)} to {clock(step.endUtc, timeZone)}
        {step.setUpMin > 0 && `, ${step.setUpMin} min to set up`}
      </p>
      <h2 className="text-base font-semibold">
        {step.what} {step.paint}
        {step.passes > 1 && (
          <span className="font-normal text-soft">
            , pass {step.pass} of {step.passes}
          </span>
        )}
      </h2>
      <p>
        <Link className="underline" to={`/stack/${step.zoneId}`}>
          {step.piece}, {step.zone}
        </Link>
        , {step.copies.length === 1 ? "copy" : "copies"} {ranges(step.copies)}
      </p>
      <div className="my-2 flex items-center gap-2">
        <Chip colour={step.before} className="h-9 w-20" title="before: recess, face, edge" />
        <span aria-hidden>→</span>
        <Chip colour={step.after} className="h-9 w-20" title="after: recess, face, edge" />
      </div>
      {step.mix && (
        <p>
          {step.mix.thinnerDrops > 0
            ? `${step.mix.paintDrops} drops paint + ${step.mix.thinnerDrops} thinner, again until ${number(step.mix.totalMl, 1)} ml`
            : `${number(step.mix.totalMl, 1)} ml as it comes`}
        </p>
      )}
      <p className="text-soft">Next coat from {dryAt(step.nextFromUtc, evening, timeZone)}.</p>
      {step.nextByUtc && (
        <p className="font-semibold text-risk">It must be worked on by {dryAt(step.nextByUtc, evening, timeZone)}.</p>
      )}
      {step.cautions.length > 0 && (
        <div className="mt-2 border-t border-line pt-2 text-xs text-soft">
          {step.cautions.map((c) => (
            <p key={c}>{c}</p>
          ))}
          <p>{cautionNote}</p>
        </div>
      )}
      <Button
        look="main"
        className="mt-3 w-full"
        disabled={write.isPending}
        onClick={() => write.mutate({ kind: "done", id: newId() })}
      >
        Done for {step.copies.length === 1 ? "this copy" : `all ${step.copies.length} copies`}
      </Button>
      <div className="mt-2 flex gap-2">
        <TextInput
          aria-label="What went wrong, and what mended it"
          placeholder="What went wrong, what mended it"
          maxLength={2000}
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
        <Button
          disabled={note.trim() === "" || write.isPending}
          onClick={() => write.mutate({ kind: "problem", id: newId() })}
        >
          Problem
        </Button>
      </div>
    </section>
  );
}
