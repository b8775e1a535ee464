import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { PieceSight } from "../../api/types";
import { length } from "../../api/units";
import { duration, number, offFigure, sightKindWord, sightVerdictWord, sightWord } from "../../api/words";
import { markOf, PiecePictureFrom } from "../../craft/PiecePicture";
import { Button, Failed } from "../../ui";
import { Stairs, useLeaveOut } from "./Stairs";
import { StandFields } from "./StandFields";
import { Trial } from "./Trial";
import { useSightChange, type Change } from "./useSightChange";
import { whence } from "./whence";

type Row = PieceSight["rows"][number];

/** A face: its size is the zone's. */
const isWide = (row: Row) => row.kind === "coat" && row.widthMm === row.lengthMm;

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
  const change = useSightChange(pieceId);
  const [trying, setTrying] = useState(false);
  if (sight.error) return <Failed why={wording(sight.error)} onAgain={() => void sight.refetch()} />;
  if (!sight.data) return <p className="p-6 text-soft">Looking from the table…</p>;
  const { data } = sight;
  // What no one sees may go, with what is nothing without it; what holds something up stays.
  const leaving = (row: Row) => {
    const ids = stairs.data?.stairs?.find((s) => s.coatIds[0] === row.coatId)?.coatIds;
    return ids && row.hardly && !row.kept
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
                  over all copies are hardly seen {whence(data)}.
                </>
              ) : (
                <>
                  All of its {number(data.minutes, 0)} minutes are seen {whence(data)}.
                </>
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
        </div>
      </section>
      {trying && <Trial pieceId={pieceId} metres={data.metres} room={room} eyes={eyes} />}
      {data.rows.length > 0 && (
        <div className="flex flex-wrap gap-3">
          <Stairs pieceId={pieceId} metres={metres} room={room} eyes={eyes} />
          <FromThere
            pieceId={pieceId}
            metres={data.metres}
            mark={markOf(data.rows.map((r) => [r.near, r.ground, r.widthMm]))}
          />
        </div>
      )}
      {stairs.data && stairs.data.alsoOn.length > 0 && (
        <p className="px-1 text-sm text-soft">
          Its coats are also those of {stairs.data.alsoOn.join(", ")}: what is changed here changes there.
        </p>
      )}
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
                  key={`${row.zoneId} ${row.coatId ?? ""} ${row.kind} ${row.what}`}
                  pieceId={pieceId}
                  row={row}
                  onLeave={leaving(row)}
                  onChange={(to) => change.mutate({ zoneId: row.zoneId, coatId: row.coatId!, ...to })}
                />
              ))}
            </tbody>
          </table>
        </section>
      )}
    </div>
  );
}

/** The piece in the hand and from the table, as large as each other: the eye's blur alone is what differs. */
function FromThere({ pieceId, metres, mark }: { pieceId: string; metres: number; mark: string }) {
  return (
    <Link
      to={`/piece/${pieceId}/look?from=${Math.round(metres * 1000)}`}
      className="flex flex-wrap gap-3 rounded-lg border border-line bg-panel p-3 text-xs text-soft hover:underline"
    >
      {[undefined, metres].map((fromM) => (
        <span key={fromM ?? 0} className="flex flex-col gap-1">
          <PiecePictureFrom pieceId={pieceId} mark={mark} fromM={fromM} w={200} h={134} meanwhile={null} />
          {fromM === undefined ? "In the hand" : `From ${number(fromM, 1)} m, held as near`}
        </span>
      ))}
    </Link>
  );
}

interface DetailProps {
  pieceId: string;
  row: Row;
  onLeave?: () => void;
  onChange: (to: Change) => void;
}

function Detail({ pieceId, row, onLeave, onChange }: DetailProps) {
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
      <td className={`py-1.5 ${row.hardly && !row.kept ? "font-semibold text-risk" : ""}`}>
        {sightVerdictWord[row.verdict]}
        {row.kept && <span className="block text-xs text-soft">stays: {row.kept}</span>}
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
        <Wanted row={row} onChange={onChange} />
        {row.kept && (
          <Small of={row.what} onClick={() => onChange({ keep: "" })}>
            Judge it again
          </Small>
        )}
        {row.hardly && !row.kept && (
          <span className="flex gap-2">
            {onLeave && (
              <Small of={row.what} onClick={onLeave}>
                Leave it out
              </Small>
            )}
            {row.coatId && (
              <Small of={row.what} onClick={() => onChange({ keep: "seen in the hand" })}>
                Keep it
              </Small>
            )}
          </span>
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

/** A small press beside a line; said in full to who does not see the line. */
function Small({ of, onClick, children }: { of: string; onClick: () => void; children: string }) {
  return (
    <Button look="quiet" className="!min-h-6 !px-1 !py-0 !text-xs underline" onClick={onClick}>
      {children}
      <span className="sr-only">: {of}</span>
    </Button>
  );
}

function Wanted({ row, onChange }: { row: Row; onChange: (to: Change) => void }) {
  if (!row.hardly || row.kept) return null;
  if (row.kind === "neighbour") return <span className="text-soft">The two read as one from there.</span>;
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
                <span className="text-soft">, {offFigure(t.offDeltaE)}</span>{" "}
                {row.coatId && row.kind === "mark" && (
                  <Small of={t.material} onClick={() => onChange({ materialId: t.materialId! })}>
                    Paint it so
                  </Small>
                )}
              </>
            )}
          </span>
        </li>
      ))}
      {needsWidth && (
        <li>
          {length(row.neededWidthMm!)} wide instead
          {row.inLifeMm != null && <span className="text-soft">, {number(row.inLifeMm, 0)} mm in life</span>}{" "}
          {row.coatId && row.kind === "mark" && (
            <Small of={row.what} onClick={() => onChange({ widthMm: row.neededWidthMm! })}>
              Draw it so
            </Small>
          )}
        </li>
      )}
    </ul>
  );
}
