import { changed } from "../../api/changes";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask, wording } from "../../api/client";
import type { LogAction, PlannedEvening, PlannedStep } from "../../api/types";
import { Button, notify } from "../../ui";
import { EarlyDialog } from "../../craft/EarlyDialog";
import { minutesEarly } from "../../craft/minutesEarly";
import { logAction } from "../../craft/logAction";
import { type Entry, EntryDialog } from "../../craft/EntryDialog";
import { ranges } from "../../craft/ranges";
import { counted } from "../../craft/stepWords";
import { Core } from "../../craft/Core";
import { StepPicture } from "../../craft/PiecePicture";
import { clock, day, dryAt } from "./when";

interface Props {
  step: PlannedStep;
  evening: PlannedEvening;
  cautionNote: string;
  onEarlier?: () => void;
  onLater?: () => void;
}

/** One step: for which copies, with what, what it should look like, when it is dry; and that it is done. */
export function StepPanel({ step, evening, cautionNote, onEarlier, onLater }: Props) {
  const [hurrying, setHurrying] = useState(false);
  const [writing, setWriting] = useState<"problem" | "note" | "otherwise">();
  const [otherwise, setOtherwise] = useState<Partial<Entry>>({});
  const write = useMutation({
    networkMode: "always",
    mutationFn: (action: LogAction) => ask(api.POST("/api/log", { body: action })),
    onSuccess: async (_, action) => {
      await changed("log");
      if (action.kind === "done" || action.kind === "skipped") {
        setOtherwise({});
        notify(
          `${step.paint ?? step.what} is ${action.kind === "done" ? "on" : "left out on"} ${step.piece} ${ranges(step.copies)}.`,
          () => write.mutate(logAction(step, "takenBack", action.copies)),
        );
      }
      if (action.kind === "problem" || action.kind === "note") notify("Written down.");
    },
    onError: (error) => notify(wording(error)),
  });
  const early = () => (step.readyAt ? minutesEarly(Date.parse(step.readyAt), Date.now()) : 0);
  const lay = () => write.mutate(logAction(step, "done", step.copies, otherwise));
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
        {day(evening.day)}, {clock(step.startAt)} to {clock(step.endAt)}
        {step.setUpMin > 0 && `, ${step.setUpMin} min to set up`}
      </p>
      <h2 className="text-base font-semibold">
        {step.what} {step.paint}
        {step.passes > 1 && step.pass > 0 && (
          <span className="font-normal text-soft">
            , pass {step.pass} of {step.passes}
          </span>
        )}
      </h2>
      <p>
        <Link className="underline" to={`/zone/${step.zoneId}`}>
          {step.piece}, {step.zone}
        </Link>
        , {step.copies.length === 1 ? "copy" : "copies"} {ranges(step.copies)}
      </p>
      <div className="my-2 flex items-center gap-2 rounded bg-swatch p-1">
        <StepPicture step={step} before w={132} h={88} meanwhile={<Core strata={step.sample} />} />
        <span aria-hidden>→</span>
        <StepPicture
          step={step}
          w={132}
          h={88}
          meanwhile={<Core strata={step.sample} after={step.technique ? step.after : undefined} />}
        />
      </div>
      {step.mix && <p>{counted(step)}</p>}
      {(step.tool || step.readying.length > 0) && (
        <p className="text-soft">
          {step.tool && `${step.tool[0]!.toUpperCase()}${step.tool.slice(1)}. `}
          {step.readying.join(" ")}
        </p>
      )}
      {step.note && <p className="border-l-2 border-line pl-2 whitespace-pre-line">{step.note}</p>}
      <p className="text-soft">Next coat from {dryAt(step.nextFrom, evening)}.</p>
      {step.nextBy && <p className="font-semibold text-risk">It must be worked on by {dryAt(step.nextBy, evening)}.</p>}
      {step.air && <p className="font-semibold text-risk">{step.air}</p>}
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
        onClick={() => (early() > 0 ? setHurrying(true) : lay())}
      >
        Done for {step.copies.length === 1 ? "this copy" : `all ${step.copies.length} copies`}
      </Button>
      {Object.values(otherwise).some(Boolean) && <p className="mt-1 text-soft">with what you said was different</p>}
      <div className="mt-2 grid grid-cols-2 gap-2">
        <Button onClick={() => setWriting("otherwise")}>Done differently</Button>
        <Button disabled={write.isPending} onClick={() => write.mutate(logAction(step, "skipped", step.copies))}>
          Leave it out
        </Button>
        <Button onClick={() => setWriting("problem")}>Problem</Button>
        <Button onClick={() => setWriting("note")}>Note</Button>
      </div>
      {hurrying && (
        <EarlyDialog
          minutes={Math.max(1, early())}
          what={`${step.what.toLowerCase()} ${step.paint ?? ""}`.trim()}
          onWait={() => setHurrying(false)}
          onLay={() => {
            setHurrying(false);
            lay();
          }}
        />
      )}
      {writing && (
        <EntryDialog
          kind={writing}
          title={`${step.paint ?? step.what}, ${step.piece} ${ranges(step.copies)}`}
          planned={step.paintFraction}
          at={{ zoneId: step.zoneId, coatId: step.coatId }}
          onClose={() => setWriting(undefined)}
          onWrite={(entry) =>
            writing === "otherwise" ? setOtherwise(entry) : write.mutate(logAction(step, writing, step.copies, entry))
          }
        />
      )}
    </section>
  );
}
