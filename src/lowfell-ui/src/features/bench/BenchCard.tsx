import { dateLanguage, millilitres } from "../../api/units";
import { bigKey } from "../../ui/bigKey";
import type { PlannedStep, WorkedWith } from "../../api/types";
import { duration, workedWithWord } from "../../api/words";
import { Core } from "../../craft/Core";
import { StepPicture } from "../../craft/PiecePicture";
import { counted, whereOf } from "../../craft/stepWords";
import { LinesHere } from "./LinesHere";
import { MarksHere } from "./MarksHere";
import { WetHere } from "./WetHere";
import { WhatGoesWhere } from "./WhatGoesWhere";

const workedWith: WorkedWith[] = ["shaken", "freshWater", "warmAir", "heavyHand"];

interface Props {
  step: PlannedStep;
  started: number | undefined;
  /** Minutes until what is below is ready for it; 0 once it is. */
  waits: number;
  /** Minutes that are left to begin it; less than nothing once it is too late, null without a window. */
  left: number | null;
  /** What the painter said is different this time. */
  otherwise: boolean;
  /** The evening that it is planned for, and the minutes that are left of it. */
  evening: string;
  /** How it was worked, as it is ticked. */
  ticks: WorkedWith[];
  onTick: (ticks: WorkedWith[]) => void;
  /** What has to be got ready now for a later step. */
  ahead: string[];
  cautionNote: string;
  /** The copies, to be touched. */
  children: React.ReactNode;
  onStart: () => void;
  onAll: () => void;
  onPutOff: () => void;
  onLeaveOut: () => void;
  onWrite: (kind: "problem" | "note" | "otherwise") => void;
}

/** What now: the step, its look, its mix, its cautions, its copies. */
export function BenchCard({
  step,
  started,
  waits,
  left,
  otherwise,
  evening,
  ticks,
  ahead,
  cautionNote,
  children,
  ...on
}: Props) {
  return (
    <section aria-label="Now" className="rounded-lg border border-line bg-panel p-4">
      <h1 className="text-3xl font-semibold">
        {step.what} {step.paint}
      </h1>
      <p className="text-soft">
        {whereOf(step)}
        <span className="block" data-testid="evening">
          {evening}
        </span>
      </p>
      {waits > 0 && (
        <p role="timer" className="mt-2 border-l-4 border-risk pl-3 font-semibold text-risk" data-testid="wait">
          Still wet below: ready in {duration(waits)}
        </p>
      )}
      {waits <= 0 && left !== null && (
        <p role="timer" className="mt-2 border-l-4 border-risk pl-3 font-semibold" data-testid="left">
          {left > 0 ? `${duration(left)} left to do it` : "Its time is over: it takes longer now"}
        </p>
      )}
      <div className="my-3 flex flex-wrap items-center gap-4">
        <span className="flex flex-col gap-1">
          <span className="flex items-center gap-2 rounded bg-swatch p-1">
            <StepPicture step={step} before w={114} h={76} meanwhile={<Core strata={step.sample} />} />
            <span aria-hidden>→</span>
            <StepPicture
              step={step}
              w={114}
              h={76}
              meanwhile={<Core strata={step.sample} after={step.technique ? step.after : undefined} />}
            />
          </span>
          <WetHere step={step} />
        </span>
        <div className="min-w-64 flex-1">
          {step.mix && (
            <p className="text-2xl" data-testid="mix">
              <strong>{counted(step)}</strong>
              {step.mix.thinnerDrops > 0 && (
                <span className="ml-3 text-xl whitespace-nowrap text-soft">
                  {millilitres(step.mix.totalMl)}, {step.mix.paintDrops} : {step.mix.thinnerDrops} in drops
                </span>
              )}
            </p>
          )}
          {otherwise && <p className="text-risk">differently, as you said</p>}
          <div data-testid="with-what">
            <p>
              {step.tool && `${step.tool[0]!.toUpperCase()}${step.tool.slice(1)}. `}
              <strong className="font-semibold">{step.readying.join(" ")}</strong>
            </p>
            <p>
              <span className="text-soft">Right:</span> {step.right}.
              {step.whenDry &&
                ` It ${step.whenDry}${step.judgeMin >= 1 ? `: judge it after ${duration(step.judgeMin)}` : ""}.`}
            </p>
            {ahead.map((a) => (
              <p key={a} className="text-soft">
                {a}
              </p>
            ))}
            {step.note && <p className="border-l-4 border-line pl-3 whitespace-pre-line">{step.note}</p>}
          </div>
        </div>
      </div>
      <WhatGoesWhere step={step} />
      <LinesHere step={step} />
      <MarksHere step={step} />
      {step.air && <p className="my-3 border-l-4 border-risk pl-3 font-semibold text-risk">{step.air}</p>}
      {step.cautions.length > 0 && (
        <div className="my-3 border-l-4 border-risk pl-3">
          {step.cautions.map((c) => (
            <p key={c}>{c}</p>
          ))}
          <p className="text-soft">{cautionNote}</p>
        </div>
      )}
      <p className="mb-1 text-soft">Copies: touch one when it is done; its bar is what it has on</p>
      {children}
      <div className="mt-4 grid grid-cols-2 gap-3">
        <button
          type="button"
          className={`${bigKey} border-strong bg-raised`}
          onClick={on.onStart}
          disabled={started !== undefined}
        >
          {started === undefined
            ? "Start"
            : `Started ${new Date(started).toLocaleTimeString(dateLanguage(), { hour: "2-digit", minute: "2-digit" })}`}
        </button>
        <button type="button" className={`${bigKey} border-accent bg-accent text-on-accent`} onClick={on.onAll}>
          {step.copies.length === 1 ? "Done" : `Done for all ${step.copies.length}`}
        </button>
      </div>
      <div className="mt-3 grid grid-cols-5 gap-3 max-[760px]:grid-cols-3">
        <button type="button" className={`${bigKey} border-line !px-1`} onClick={on.onPutOff}>
          Not now
        </button>
        <button type="button" className={`${bigKey} border-line !px-1`} onClick={on.onLeaveOut}>
          Leave it out
        </button>
        <button type="button" className={`${bigKey} border-line !px-1`} onClick={() => on.onWrite("otherwise")}>
          Differently
        </button>
        <button type="button" className={`${bigKey} border-line !px-1`} onClick={() => on.onWrite("problem")}>
          Problem
        </button>
        <button type="button" className={`${bigKey} border-line !px-1`} onClick={() => on.onWrite("note")}>
          Note
        </button>
      </div>
      {step.mix && (
        <div role="group" aria-label="How it is worked" className="mt-3 grid grid-cols-4 gap-3 max-[760px]:grid-cols-2">
          {workedWith.map((w) => (
            <button
              key={w}
              type="button"
              aria-pressed={ticks.includes(w)}
              className={`${bigKey} border-line !px-1 !font-normal aria-pressed:border-accent aria-pressed:bg-tint aria-pressed:!font-semibold`}
              onClick={() => on.onTick(ticks.includes(w) ? ticks.filter((t) => t !== w) : [...ticks, w])}
            >
              {workedWithWord[w]}
            </button>
          ))}
        </div>
      )}
    </section>
  );
}
