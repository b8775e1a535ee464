import { length } from "../../api/units";
import { lotKey } from "../../api/step";
import type { Plan, PlannedEvening, PlannedStep } from "../../api/types";
import { number } from "../../api/words";
import { Core } from "../../craft/Core";
import { StepPicture } from "../../craft/PiecePicture";
import { usePlaces } from "../../craft/usePlaces";
import { clock, longDay } from "./when";

/** The next evening, or all of them, on paper: steps with the piece before and after, with their mixes, core samples and cautions, and a box to tick for each copy. */
export function BenchSheet({ plan, all, pictures }: { plan: Plan; all: boolean; pictures: boolean }) {
  return (
    <div className="hidden p-2 text-base print:block" data-testid="bench-sheet">
      {(all ? plan.calendar : plan.calendar.slice(0, 1)).map((evening) => (
        <Sheet key={evening.openAt} plan={plan} evening={evening} pictures={pictures} />
      ))}
    </div>
  );
}

/** For bases: what the step lays on each copy, and where. */
function Placements({ step }: { step: PlannedStep }) {
  const places = usePlaces(step);
  if (places.length === 0) return null;
  return (
    <div className="my-1 text-sm" data-testid="sheet-placement">
      <p>x to the right, y to the rear, from the middle; numbers as on the sheet at true size.</p>
      {places.map((c) => (
        <p key={c.copy} className="break-inside-avoid">
          <strong>{c.copy}</strong> {c.word}:{" "}
          {c.lines
            .map(
              (l) =>
                `${l.no} ${l.element} ${length(l.x)}, ${length(l.y)}, ${number(l.angleDeg, 0)}°, ${length(l.heightMm)} tall`,
            )
            .join("; ")}
        </p>
      ))}
    </div>
  );
}

function Sheet({ plan, evening, pictures }: { plan: Plan; evening: PlannedEvening; pictures: boolean }) {
  return (
    <div className="break-after-page last:break-after-auto">
      <h1 className="text-2xl font-semibold">
        {longDay(evening.day)}, {clock(evening.openAt)} to {clock(evening.closeAt)}
      </h1>
      {evening.steps.map((s) => (
        <section key={lotKey(s)} className="break-inside-avoid border-t border-line py-2">
          <div className="flex items-center gap-3">
            <strong>{clock(s.startAt)}</strong>
            <span className="flex-1">
              <strong>
                {s.what} {s.paint}
              </strong>
              {s.passes > 1 && `, pass ${s.pass} of ${s.passes}`}: {s.piece}, {s.zone}
            </span>
            {pictures ? (
              <>
                <StepPicture step={s} before eager w={108} h={72} meanwhile={<Core strata={s.sample} />} />
                <span aria-hidden>→</span>
                <StepPicture step={s} eager w={108} h={72} meanwhile={<Core strata={s.sample} after={s.after} />} />
              </>
            ) : (
              <>
                <Core strata={s.sample} />
                <span aria-hidden>→</span>
                <Core strata={s.sample} after={s.after} />
              </>
            )}
          </div>
          <p>
            {s.mix &&
              (s.mix.thinnerDrops > 0
                ? `${s.mix.paintDrops} drops paint + ${s.mix.thinnerDrops} thinner, again until ${number(s.mix.totalMl, 1)} ml. `
                : `${number(s.mix.totalMl, 1)} ml as it comes. `)}
            Next coat from {clock(s.nextFrom)}
            {s.nextBy && `, worked on by ${clock(s.nextBy)}`}.
          </p>
          <Placements step={s} />
          {s.cautions.map((c) => (
            <p key={c} className="text-sm">
              {c}
            </p>
          ))}
          <p className="flex flex-wrap gap-3 pt-1">
            {s.copies.map((c) => (
              <span key={c} className="inline-flex items-center gap-1">
                <span className="inline-block size-4 border border-ink" /> {c}
              </span>
            ))}
          </p>
        </section>
      ))}
      <p className="border-t border-line pt-2 text-sm">{plan.cautionNote}</p>
    </div>
  );
}
