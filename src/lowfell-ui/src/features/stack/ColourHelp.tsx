import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useState } from "react";
import { wording } from "../../api/client";
import type { Coat, Schools, ZonePage } from "../../api/types";
import { number, offFigure } from "../../api/words";
import { Button } from "../../ui";

const Primers = lazy(async () => ({ default: (await import("./Primers")).Primers }));

interface Props {
  page: ZonePage;
  schools: Schools;
  coats: Coat[];
  coat: Coat;
  onApply: (apply: (coat: Coat) => Coat) => void;
  /** Other coats, with another primer under them. */
  onTake: (coats: Coat[]) => void;
}

/** Passes to cover, the base that lands on the target, and the nearest on the shelf. */
export function ColourHelp(props: Props) {
  const [open, setOpen] = useState(false);
  return (
    <div className="border-t border-line pt-3">
      {open ? <Answers {...props} /> : <Button onClick={() => setOpen(true)}>Colour help</Button>}
    </div>
  );
}

const passes = (n: number | undefined) => (n === undefined ? "" : n > 12 ? "over 12" : String(n));

function Answers({ page, schools, coats, coat, onApply, onTake }: Props) {
  const help = useQuery(queries.help(page.zone, coats, schools, coat.id));
  if (help.isError) return <p className="text-sm text-stop">{wording(help.error)}</p>;
  if (!help.data) return <p className="text-sm text-soft">Working it out…</p>;
  const { passesToCover, baseHex, baseLeft, reachable, nearest } = help.data;
  return (
    <div className="flex flex-col gap-3 text-sm" data-testid="colour-help">
      <h3 className="font-semibold">Colour help</h3>
      <p>
        Passes to cover here: recess {passes(passesToCover[0])}, face {passes(passesToCover[1])}, edge{" "}
        {passes(passesToCover[2])}.
      </p>
      {baseHex ? (
        <div className="flex items-center gap-2">
          <span className="rounded bg-swatch p-1">
            <span className="block h-7 w-10 rounded-sm" style={{ background: baseHex }} />
          </span>
          <span className="flex-1">
            {reachable
              ? `Mixed to ${baseHex}, the face ends ${offFigure(baseLeft ?? 0, "the target")}.`
              : `The target can't be reached with the coats above: ${baseHex} comes nearest, ${offFigure(baseLeft ?? 0)}.`}
          </span>
          {coat.materialId && <Button onClick={() => onApply((c) => ({ ...c, mixedTo: baseHex }))}>Mix to it</Button>}
        </div>
      ) : (
        <p className="text-soft">Give the zone a target colour to solve for the base.</p>
      )}
      {nearest.length > 0 && (
        <div>
          <p className="mb-1 text-soft">Nearest on the shelf, by the finished face:</p>
          <ul className="flex flex-col gap-1">
            {nearest.map((n) => (
              <li key={n.materialId} className="flex items-center gap-2">
                <span className="inline-flex rounded bg-swatch p-1" title={`${n.hex} ends as ${n.result}`}>
                  <span className="h-5 w-5" style={{ background: n.hex }} />
                  <span className="h-5 w-5" style={{ background: n.result }} />
                </span>
                <span className="min-w-0 flex-1">
                  <span className="block truncate">{n.name}</span>
                  <span className="block truncate text-xs text-soft">
                    {n.words} ({number(n.de)} dE)
                  </span>
                </span>
                <Button
                  onClick={() =>
                    onApply(({ mixId: _m, mixedTo: _t, ...c }) => ({
                      ...c,
                      materialId: n.materialId,
                    }))
                  }
                >
                  Use
                </Button>
              </li>
            ))}
          </ul>
        </div>
      )}
      <Suspense>
        <Primers page={page} schools={schools} coats={coats} onTake={onTake} />
      </Suspense>
    </div>
  );
}
