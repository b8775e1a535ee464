import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { Repair } from "../../api/types";
import { date } from "../../api/units";
import { Button, Choice, notify } from "../../ui";
import { ranges } from "../../craft/ranges";

/** Mends that were taken up for the piece: how far they are, whether they helped, and a way back. */
export function Taken({ pieceId }: { pieceId: string }) {
  const repairs = useQuery(queries.repairs(pieceId));
  if (!repairs.data || repairs.data.length === 0) return null;
  return (
    <section aria-label="Mends taken up" className="rounded-lg border border-line bg-panel p-3">
      <h2 className="mb-1 font-semibold">Mends taken up</h2>
      <ul className="flex flex-col" data-testid="taken">
        {repairs.data.map((r) => (
          <Row key={r.id} repair={r} />
        ))}
      </ul>
    </section>
  );
}

/** Takes a mend back, and says what could not be. */
export async function takeBack(repair: Pick<Repair, "id" | "zoneId">) {
  try {
    const back = await ask(
      api.DELETE("/api/mend/repairs/{zoneId}/{id}", { params: { path: { zoneId: repair.zoneId, id: repair.id } } }),
    );
    await changed("mends");
    notify(back.left || "Taken back: its steps, its entry and its change of the plan.");
  } catch (error) {
    notify(wording(error));
  }
}

function Row({ repair }: { repair: Repair }) {
  const [cause, setCause] = useState<string>();
  const say = useMutation({
    mutationFn: (helped: boolean) =>
      ask(
        api.POST("/api/mend/repairs/{zoneId}/{id}/outcome", {
          params: { path: { zoneId: repair.zoneId, id: repair.id } },
          body: { helped, cause: helped ? chosen : "" },
        }),
      ),
    onSuccess: () => changed("mends"),
    onError: (error) => notify(wording(error)),
  });
  const chosen = cause ?? repair.causes.find((c) => c.word === repair.cause)?.key ?? "other";
  return (
    <li className="border-t border-line py-2 text-sm first:border-t-0">
      <div className="flex flex-wrap items-start gap-x-3 gap-y-1">
        <div className="min-w-60 flex-1">
          <p>
            <strong className="font-semibold">{repair.symptom}</strong> on {repair.zone} {ranges(repair.copies)}
            <span className="text-soft">, {date(repair.at, { day: "numeric", month: "short" })}</span>
          </p>
          <p>{repair.does || "The plan alone was changed."}</p>
          <p className="text-xs text-soft">
            {repair.steps > 0 && `${repair.done} of ${repair.steps} steps done. `}
            {repair.planChanged && repair.does && "The plan of the copies after was changed with it. "}
            {repair.helped === true && "It helped."}
            {repair.helped === false && "It did not help."}
          </p>
        </div>
        {repair.done === 0 && <Button onClick={() => void takeBack(repair)}>Take back</Button>}
      </div>
      {repair.helped == null && repair.done === repair.steps && (
        <div className="mt-1 flex flex-wrap items-center gap-2">
          <span className="text-soft">It was</span>
          <span className="w-80 max-w-full">
            <Choice
              label="What it was"
              value={chosen}
              options={repair.causes.map((c) => ({ value: c.key, label: c.word }))}
              onChange={setCause}
            />
          </span>
          <Button disabled={say.isPending} onClick={() => say.mutate(true)}>
            That was it, it helped
          </Button>
          <Button look="quiet" disabled={say.isPending} onClick={() => say.mutate(false)}>
            It did not help
          </Button>
        </div>
      )}
    </li>
  );
}
