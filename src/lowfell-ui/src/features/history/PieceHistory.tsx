import { useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { ZoneView } from "../../api/types";
import { lastZone } from "../../craft/lastZone";
import { LogList } from "../../craft/LogList";
import { useChosen } from "../../craft/useChosen";
import { Button, Choice } from "../../ui";
import { Versions } from "./Versions";

/** What was done on the copies of a piece, and what its schemes were before. */
export function PieceHistory() {
  const { pieceId = "" } = useParams();
  const page = useQuery(queries.piece(pieceId));
  const log = useInfiniteQuery(queries.log("", undefined, pieceId));
  const entries = log.data?.pages.flat() ?? [];
  return (
    <div className="grid grid-cols-1 items-start gap-3 xl:grid-cols-2">
      <section aria-label="What was done" className="rounded-lg border border-line bg-panel">
        <h1 className="px-4 py-2 text-lg font-semibold">What was done</h1>
        {log.isError && (
          <p role="alert" className="p-4 text-sm text-stop">
            {wording(log.error)}
          </p>
        )}
        {log.data && entries.length === 0 && (
          <p className="border-t border-line p-4 text-sm text-soft">
            Nothing is written down for this piece yet. It comes here from the bench card.
          </p>
        )}
        <LogList entries={entries} />
        {log.hasNextPage && (
          <div className="border-t border-line p-3 text-center">
            <Button disabled={log.isFetchingNextPage} onClick={() => void log.fetchNextPage()}>
              Further back
            </Button>
          </div>
        )}
      </section>
      {page.data && <Schemes zones={page.data.piece.zones} />}
    </div>
  );
}

function Schemes({ zones }: { zones: ZoneView[] }) {
  const [wanted, setWanted] = useChosen("zone");
  const zone = zones.find((z) => z.id === wanted) ?? zones.find((z) => z.id === lastZone()) ?? zones[0];
  if (!zone) return null;
  return (
    <section aria-label="Versions of the coats" className="rounded-lg border border-line bg-panel">
      <div className="flex flex-wrap items-center gap-3 px-4 py-2">
        <h2 className="flex-1 text-lg font-semibold">What the coats were</h2>
        {zones.length > 1 && (
          <div className="w-56">
            <Choice
              label="Coats of the zone"
              value={zone.id}
              options={zones.map((z) => ({ value: z.id, label: z.settings.name }))}
              onChange={setWanted}
            />
          </div>
        )}
      </div>
      <Versions key={zone.id} zoneId={zone.id} />
    </section>
  );
}
