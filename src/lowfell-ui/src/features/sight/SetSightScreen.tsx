import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { PieceSight } from "../../api/types";
import { duration, number, sightWord } from "../../api/words";
import { useTitle } from "../../craft/useTitle";
import { Failed } from "../../ui";
import { StandFields } from "./StandFields";
import { whence } from "./whence";

const shownAtFirst = 4;

/** Over a set: the pieces on which most time goes into what nobody sees, and the coats that it goes into. */
export function SetSightScreen() {
  const { setId = "" } = useParams();
  const [metres, setMetres] = useState<number>();
  const [room, setRoom] = useState<PieceSight["room"]>("clubHall");
  const [eyes, setEyes] = useState<PieceSight["eyes"]>("sharp");
  const sight = useQuery(queries.setSight(setId, metres, room, eyes));
  const { data } = sight;
  useTitle(data && `${data.name} from the table`);
  if (sight.error) return <Failed why={wording(sight.error)} onAgain={() => void sight.refetch()} />;
  if (!data) return <p className="p-6 text-soft">Looking from the table…</p>;
  return (
    <div className="mx-auto flex w-full max-w-[1400px] flex-1 flex-col gap-3 p-2 lg:p-3">
      <section aria-label="Seen from" className="rounded-lg border border-line bg-panel p-3">
        <p className="mb-2 flex flex-wrap items-baseline gap-2">
          <Link to={`/sets/${setId}`} className="text-sm text-soft hover:underline">
            {data.name}
          </Link>
          <span aria-hidden className="text-soft">
            /
          </span>
          <strong className="text-lg leading-tight font-semibold">From the table</strong>
        </p>
        <div className="flex flex-wrap items-end gap-3">
          <StandFields
            metres={data.metres}
            room={room}
            eyes={eyes}
            onMetres={setMetres}
            onRoom={setRoom}
            onEyes={setEyes}
          />
          <p className="min-w-0 flex-1 text-sm" role="status" data-testid="hardly-seen">
            {data.minutes > 0 ? (
              <>
                <strong>
                  {number(data.hardlySeenMinutes, 0)} of {number(data.minutes, 0)} minutes
                </strong>{" "}
                over all copies are hardly seen {whence(data)}.
              </>
            ) : (
              "There is no face yet to see anything on: plan the coats of a zone first."
            )}
            {data.zonesLeft > 0 && ` ${data.zonesLeft} zones with little work were not looked at.`}
          </p>
        </div>
      </section>
      <ul className="flex flex-col gap-2" data-testid="set-sight">
        {data.pieces.map((p) => (
          <li key={p.pieceId} className="rounded-lg border border-line bg-panel p-3 text-sm">
            <p className="flex flex-wrap items-baseline gap-x-3">
              <Link to={`/piece/${p.pieceId}/table`} className="font-semibold hover:underline">
                {p.name}
              </Link>
              <span className="text-soft">
                {p.copies} {p.copies === 1 ? "copy" : "copies"}
              </span>
              <span>
                {p.hardlySeenMinutes > 0 ? (
                  <>
                    {duration(p.hardlySeenMinutes)} of {duration(p.minutes)} hardly seen
                  </>
                ) : (
                  <span className="text-soft">all of its {duration(p.minutes)} are seen</span>
                )}
              </span>
            </p>
            {p.coats.length > 0 && (
              <ul className="mt-1 grid grid-cols-1 gap-x-4 text-xs lg:grid-cols-2">
                {p.coats.slice(0, shownAtFirst).map((c) => (
                  <li key={`${c.zoneId} ${c.coatId}`}>
                    <Link to={`/piece/${p.pieceId}/coats/${c.zoneId}?coat=${c.coatId}`} className="hover:underline">
                      {c.what}
                    </Link>{" "}
                    <span className="text-soft">
                      on {c.zone}, {duration(c.minutes)}, {sightWord[c.word]}
                    </span>
                  </li>
                ))}
                {p.coats.length > shownAtFirst && (
                  <li className="text-soft">and {p.coats.length - shownAtFirst} more</li>
                )}
              </ul>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
