import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { wording } from "../../api/client";
import type { ZoneProgress } from "../../api/types";
import { stepsOf } from "../../craft/letters";
import { Choice } from "../../ui";

/** Copies by coats of a set: what is on, what was left out, what is open. */
export function Progress() {
  const sets = useQuery(queries.cards());
  const [chosen, setChosen] = useState<string>();
  const setId = chosen ?? sets.data?.[0]?.id;
  const progress = useQuery(queries.setProgress(setId));
  const error = sets.error ?? progress.error;
  return (
    <div className="p-3 text-sm" data-testid="progress">
      {error && (
        <p role="alert" className="text-stop">
          {wording(error)}
        </p>
      )}
      {sets.data?.length === 0 && <p className="p-3 text-center text-soft">There is no set yet.</p>}
      {setId && sets.data && (
        <div className="mb-3 flex items-center gap-4">
          <div className="w-60">
            <Choice
              label="Set"
              value={setId}
              options={sets.data.map((s) => ({ value: s.id, label: s.name }))}
              onChange={setChosen}
            />
          </div>
          <p className="text-soft">A row a copy, a column a step: filled is on, crossed is left out, empty is open.</p>
        </div>
      )}
      {progress.data && (
        <div className="flex flex-wrap gap-x-8 gap-y-5">
          {progress.data
            .filter((z) => z.steps.length > 0)
            .map((z) => (
              <Grid key={`${z.zoneId} ${z.zone}`} zone={z} />
            ))}
          {progress.data.every((z) => z.steps.length === 0) && (
            <p className="text-soft">No coat is planned on this set yet.</p>
          )}
        </div>
      )}
    </div>
  );
}

const most = 60;

function Grid({ zone }: { zone: ZoneProgress }) {
  const [all, setAll] = useState(false);
  const far = zone.copies.map(stepsOf);
  const done = far.reduce((n, c) => n + c.on, 0);
  const whole = far.reduce((n, c) => n + c.of, 0);
  const rows = all ? zone.copies : zone.copies.slice(0, most);
  return (
    <figure className="min-w-0">
      <figcaption className="mb-1">
        <strong>{zone.piece}</strong>, {zone.zone}{" "}
        <span className="text-soft">{Math.round((100 * done) / Math.max(1, whole))} %</span>
      </figcaption>
      <table className="border-separate border-spacing-0.5">
        <tbody>
          {rows.map((letters, i) => (
            <tr key={i}>
              <th scope="row" className="pr-1 text-right text-xs font-normal text-soft">
                {i + 1}
              </th>
              {zone.steps.map((s, at) => (
                <td key={at} className="p-0">
                  <Cell letter={letters[at] ?? "."} colour={s.look[1]} title={`${i + 1}: ${s.what} ${s.paint ?? ""}`} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {zone.copies.length > most && (
        <button type="button" className="min-h-6 underline" onClick={() => setAll(!all)}>
          {all ? "Fewer" : `All ${zone.copies.length} copies`}
        </button>
      )}
    </figure>
  );
}

const word: Record<string, string> = { d: "on", s: "left out", ".": "open", "-": "not for this copy" };

function Cell({ letter, colour, title }: { letter: string; colour: string | undefined; title: string }) {
  return (
    <span
      title={`${title}, ${word[letter]}`}
      className={`flex size-4 items-center justify-center rounded-sm text-[10px] leading-none ${letter === "-" ? "" : "border border-strong"}`}
      style={letter === "d" ? { background: colour ?? "var(--ink)" } : undefined}
    >
      <span className="sr-only">{word[letter]}</span>
      {letter === "s" && <span aria-hidden>×</span>}
    </span>
  );
}
