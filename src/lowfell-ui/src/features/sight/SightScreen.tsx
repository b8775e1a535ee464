import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { PieceSight } from "../../api/types";
import { length } from "../../api/units";
import { duration, number, sightKindWord, sightVerdictWord, sightWord } from "../../api/words";
import { Button, Failed } from "../../ui";
import { Stairs, useLeaveOut } from "./Stairs";
import { StandFields } from "./StandFields";
import { Trial } from "./Trial";

type Row = PieceSight["rows"][number];

/** A face: its size is the zone's. */
const isWide = (row: Row) => row.kind === "coat" && row.widthMm === row.lengthMm;
const hardly = (row: Row) => row.word === "lost" || row.word === "barely";

/** Whether anyone sees it: every detail from the table, what it costs, and what it would need. */
export function SightScreen() {
  const { pieceId = "" } = useParams();
  // Another piece is looked at from its own table.
  return <OfPiece key={pieceId} pieceId={pieceId} />;
}

function OfPiece({ pieceId }: { pieceId: string }) {
  const [metres, setMetres] = useState<number>();
  const [room, setRoom] = useState<PieceSight["room"]>("clubHall");
  const [eyes, setEyes] = useState<PieceSight["eyes"]>("sharp");
  const sight = useQuery(queries.sight(pieceId, metres, room, eyes));
  const stairs = useQuery(queries.stairs(pieceId, metres, room, eyes, undefined));
  const leave = useLeaveOut(pieceId, () => {});
  const [trying, setTrying] = useState(false);
  if (sight.error) return <Failed why={wording(sight.error)} onAgain={() => void sight.refetch()} />;
  if (!sight.data) return <p className="p-6 text-soft">Looking from the table…</p>;
  const { data } = sight;
  // What no one sees may go, with what is nothing without it; what holds something up stays.
  const leaving = (row: Row) => {
    const ids = stairs.data?.stairs?.find((s) => s.coatIds[0] === row.coatId)?.coatIds;
    return ids && hardly(row)
      ? () => leave.mutate({ coats: ids.map((coatId) => ({ zoneId: row.zoneId, coatId })), skip: true })
      : undefined;
  };
  return (
    <div className="flex min-w-0 flex-1 flex-col gap-3">
      <section aria-label="Seen from" className="rounded-lg border border-line bg-panel p-3">
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
              data.hardlySeenMinutes > 0 ? (
                <>
                  <strong>
                    {number(data.hardlySeenMinutes, 0)} of {number(data.minutes, 0)} minutes
                  </strong>{" "}
                  over all copies are hardly seen from there.
                </>
              ) : (
                <>All of its {number(data.minutes, 0)} minutes are seen from there.</>
              )
            ) : (
              <>
                There is no face yet to see anything on:{" "}
                <Link to={`/piece/${pieceId}`} className="underline">
                  plan the coats of a zone
                </Link>{" "}
                first.
              </>
            )}
          </p>
          <Button aria-expanded={trying} onClick={() => setTrying(!trying)}>
            Try your own eyes
          </Button>
          <Link
            to={`/piece/${pieceId}/look?from=${Math.round(data.metres * 1000)}`}
            className="inline-flex min-h-9 items-center text-sm underline"
          >
            Its look from there
          </Link>
        </div>
      </section>
      {trying && <Trial pieceId={pieceId} metres={data.metres} room={room} eyes={eyes} />}
      {data.rows.length > 0 && <Stairs pieceId={pieceId} metres={metres} room={room} eyes={eyes} />}
      {data.rows.length > 0 && (
        <section aria-label="Details" className="relative overflow-x-auto rounded-lg border border-line bg-panel">
          <table className="w-full min-w-[60rem] text-sm" data-testid="sight">
            <thead className="text-left text-xs text-soft">
              <tr>
                <th className="min-w-52 py-1.5 pl-3 font-semibold">Detail</th>
                <th className="w-28 font-semibold">Near, there</th>
                <th className="w-40 font-semibold">Seen</th>
                <th className="w-44 font-semibold">
                  From {data.rows[0]!.looks.map((l) => number(l.metres, 1)).join(", ")} m
                </th>
                <th className="w-20 text-right font-semibold">Minutes</th>
                <th className="w-72 pr-3 pl-4 font-semibold">What would show</th>
              </tr>
            </thead>
            <tbody>
              {data.rows.map((row) => (
                <Detail
                  key={`${row.zoneId} ${row.coatId ?? ""} ${row.kind}`}
                  pieceId={pieceId}
                  row={row}
                  onLeave={leaving(row)}
                />
              ))}
            </tbody>
          </table>
        </section>
      )}
    </div>
  );
}

function Detail({ pieceId, row, onLeave }: { pieceId: string; row: Row; onLeave?: () => void }) {
  return (
    <tr className="border-t border-line align-top">
      <td className="py-1.5 pl-3">
        <Link
          to={`/piece/${pieceId}/coats/${row.zoneId}${row.coatId ? `?coat=${row.coatId}` : ""}`}
          className="font-semibold hover:underline"
        >
          {row.what}
        </Link>
        <span className="block text-xs text-soft">
          {row.zone}
          {row.coatId && `, ${sightKindWord[row.kind]}`}
          {isWide(row) ? ", all over" : `, ${length(row.widthMm)} by ${length(row.lengthMm)}`}
        </span>
      </td>
      <td className="py-1.5">
        <span aria-hidden className="flex gap-1">
          {[row.near, row.there].map((colour, i) => (
            <span
              key={i}
              className="flex size-9 items-center justify-center rounded-sm"
              style={{ background: row.ground }}
            >
              <span className="h-9 w-3" style={{ background: colour }} />
            </span>
          ))}
        </span>
        <span className="sr-only">
          {row.near} on {row.ground}; from there {row.there}
        </span>
      </td>
      <td className={`py-1.5 ${hardly(row) ? "font-semibold text-risk" : ""}`}>
        {sightVerdictWord[row.verdict]}
        {row.unsure && (
          <span className="block text-xs font-normal text-soft">by a lighter or heavier hand otherwise</span>
        )}
      </td>
      <td className="py-1.5">
        <Reach looks={row.looks} />
        {!isWide(row) && (
          <span className="block text-xs text-soft">told as a shape to {number(row.formMm / 1000, 1)} m</span>
        )}
      </td>
      <td className="py-1.5 text-right tabular-nums">{row.minutes > 0 ? duration(row.minutes) : ""}</td>
      <td className="py-1.5 pr-3 pl-4 text-xs">
        <Wanted row={row} />
        {onLeave && (
          <Button look="quiet" className="!min-h-6 !px-1 !py-0 !text-xs underline" onClick={onLeave}>
            Leave it out<span className="sr-only">: {row.what}</span>
          </Button>
        )}
      </td>
    </tr>
  );
}

const heights: Record<Row["word"], string> = { lost: "h-1", barely: "h-2.5", seen: "h-4", standsOut: "h-6" };

/** How well it is seen from each distance: the higher, the better. */
function Reach({ looks }: { looks: Row["looks"] }) {
  const said = looks.map((l) => `${number(l.metres, 1)} m: ${sightWord[l.word]}`).join(", ");
  return (
    <span role="img" aria-label={said} title={said} className="flex h-6 items-end gap-1">
      {looks.map((l) => (
        <span
          key={l.metres}
          className={`w-6 rounded-t-sm ${heights[l.word]} ${l.word === "lost" || l.word === "barely" ? "bg-strong" : "bg-accent"}`}
        />
      ))}
    </span>
  );
}

function Wanted({ row }: { row: Row }) {
  if (!hardly(row)) return null;
  const needsWidth = row.neededWidthMm != null;
  if (row.tones.length === 0 && !needsWidth)
    return (
      <span className="text-soft">
        {row.kind === "mark" ? "No tone of this hue shows from there at this size." : "Nothing of it shows from there."}{" "}
        {row.minutes > 0 && "It is for who takes it in the hand."}
      </span>
    );
  return (
    <ul className="flex flex-col gap-1">
      {row.tones.map((t) => (
        <li key={t.colour} className="flex items-center gap-1.5">
          <span
            aria-hidden
            className="size-4 shrink-0 rounded-sm border border-line"
            style={{ background: t.colour }}
          />
          <span>
            {t.colour}
            {t.material && (
              <>
                , nearest {t.material}
                <span className="text-soft"> ({number(t.offDeltaE, 1)} dE off)</span>
              </>
            )}
          </span>
        </li>
      ))}
      {needsWidth && <li>{length(row.neededWidthMm!)} wide instead</li>}
    </ul>
  );
}
