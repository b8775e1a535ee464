import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { wording } from "../../api/client";
import type { Coat, MendedAll, Schools, ZonePage } from "../../api/types";
import { duration, number } from "../../api/words";
import { Button, Dialog } from "../../ui";
import { costWords, movedWords, outcomeWords } from "./costs";
import { type PaintNames, paintOf, titleOf } from "./names";
import { sameCoat } from "./stackEdits";

interface Props {
  page: ZonePage;
  coats: Coat[];
  schools: Schools;
  names: PaintNames;
  onClose: () => void;
  onTake: (mended: MendedAll) => void;
}

/** The stack as it is beside the stack with everything mended: one press takes it, one undo gives it back. */
export function MendAllDialog({ page, coats, schools, names, onClose, onTake }: Props) {
  const found = useQuery(queries.mendAll(page.zone, coats, schools));
  const mended = found.data;
  return (
    <Dialog wide open title="Mend all" onClose={onClose}>
      {found.isError && (
        <p role="alert" className="text-sm text-stop">
          {wording(found.error)}
        </p>
      )}
      {found.isPending && <p className="text-soft">Trying the mends together…</p>}
      {mended && mended.steps.length === 0 && (
        <p className="text-sm">No mend was found that is better than what you have.</p>
      )}
      {mended && mended.steps.length > 0 && (
        <div className="flex flex-col gap-3 text-sm">
          <ol className="list-inside list-decimal" aria-label="What is mended">
            {mended.steps.map((s, i) => (
              <li key={i}>
                <span className="text-soft">{s.what}</span> <strong className="font-semibold">{s.label}.</strong>
              </li>
            ))}
          </ol>
          <p className="text-soft">
            {[
              costWords({
                waitHours: mended.costAfter.waitHours - mended.costBefore.waitHours,
                minutes: mended.costAfter.minutes - mended.costBefore.minutes,
                ml: mended.costAfter.ml - mended.costBefore.ml,
                coats: mended.costAfter.coats - mended.costBefore.coats,
              }),
              movedWords(mended.moved),
            ]
              .filter(Boolean)
              .join("; ")}
          </p>
          <div className="grid gap-3 sm:grid-cols-2">
            <Side title="Now" coats={coats} other={mended.coats} names={names} side={mended} now />
            <Side title="Mended" coats={mended.coats} other={coats} names={names} side={mended} />
          </div>
          <div className="flex justify-end gap-2">
            <Button onClick={onClose}>Leave it as it is</Button>
            <Button look="main" autoFocus onClick={() => onTake(mended)}>
              Take it
            </Button>
          </div>
        </div>
      )}
    </Dialog>
  );
}

function Side({
  title,
  coats,
  other,
  names,
  side,
  now,
}: {
  title: string;
  coats: Coat[];
  other: Coat[];
  names: PaintNames;
  side: MendedAll;
  now?: boolean;
}) {
  const outcome = now ? side.before : side.after;
  const cost = now ? side.costBefore : side.costAfter;
  return (
    <section aria-label={title} className="rounded border border-line bg-raised p-3">
      <h3 className="font-semibold">{title}</h3>
      <p className="mb-2 text-xs text-soft">
        {outcomeWords(outcome)}; {duration(cost.waitHours * 60)} of waiting, {duration(cost.minutes)} of work,{" "}
        {number(cost.ml)} ml
      </p>
      <ol>
        {coats.toReversed().map((c) => {
          const same = other.some((o) => sameCoat(o, c));
          return (
            <li key={c.id} className={same ? "text-soft" : "font-semibold"}>
              {titleOf(c, names)}, {paintOf(c, names).name}
              {c.passes > 1 && ` × ${c.passes}`}
            </li>
          );
        })}
      </ol>
    </section>
  );
}
