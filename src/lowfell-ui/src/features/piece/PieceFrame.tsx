import { useQuery } from "@tanstack/react-query";
import { Plus } from "lucide-react";
import { useEffect } from "react";
import { Link, Navigate, NavLink, Outlet, useParams } from "react-router";
import { queries } from "../../api/queries";
import type { PiecePage, ZoneView } from "../../api/types";
import { area, sheenWord, substrateWord } from "../../api/words";
import { forgetPiece, lastPiece, lastZone, rememberPiece } from "../../craft/lastZone";
import { MiniCore } from "../../craft/MiniCore";
import { markOf, PiecePicture } from "../../craft/PiecePicture";
import { ThreeHeights } from "../../craft/ThreeHeights";
import { useTitle } from "../../craft/useTitle";
import { Gone, isGone } from "../../craft/Gone";
import { FoundCounts, sumFound, viewLink } from "../../ui";

/** A piece: where it belongs, its zones at its side, and the view of it that is open. */
export function PieceFrame() {
  const { pieceId = "", zoneId } = useParams();
  const page = useQuery(queries.piece(pieceId));
  const zone = page.data?.piece.zones.find((z) => z.id === zoneId);
  useTitle(page.data && [page.data.piece.piece.name, zone?.settings.name].filter(Boolean).join(", "));
  useEffect(() => {
    if (page.data) rememberPiece(pieceId);
  }, [page.data, pieceId]);
  const gone = isGone(page.error);
  useEffect(() => {
    if (gone) forgetPiece(pieceId);
  }, [gone, pieceId]);
  if (page.isError) return <Gone what="piece" error={page.error} />;
  if (!page.data) return <p className="p-6 text-soft">Opening the piece…</p>;
  return (
    <>
      <PieceHeader page={page.data} zoneId={zoneId} />
      <div className="mx-auto grid w-full max-w-[1700px] flex-1 grid-cols-1 gap-3 p-2 lg:grid-cols-[11.5rem_minmax(0,1fr)] lg:p-3">
        <ZoneRail page={page.data} zoneId={zoneId} />
        <div className="flex min-w-0 flex-col">
          <Outlet />
        </div>
      </div>
    </>
  );
}

function PieceHeader({ page, zoneId }: { page: PiecePage; zoneId: string | undefined }) {
  const { piece } = page.piece;
  const base = `/piece/${page.piece.id}`;
  const zones = page.piece.zones;
  const finishes = [...new Set(zones.map((z) => z.settings.finish))];
  const found = sumFound(zones.map((z) => z.findings));
  const coats = zoneId ?? lastOf(zones);
  return (
    <div className="flex flex-wrap items-center gap-x-4 border-b border-line bg-panel px-3 lg:px-4 print:hidden">
      {zones[0] && (
        <Link
          to={`${base}/look`}
          aria-label={`Look of ${piece.name}`}
          className="-mr-2 rounded bg-swatch max-sm:hidden"
        >
          <PiecePicture
            pieceId={page.piece.id}
            w={48}
            h={32}
            mark={markOf(zones.map((z) => [z.id, z.sample]))}
            meanwhile={<ThreeHeights of={zones[0].sample.at(-1)} className="size-full" />}
          />
        </Link>
      )}
      <p className="flex min-w-0 items-baseline gap-2 py-1.5">
        <Link to={`/sets/${page.setId}`} className="max-w-40 truncate text-sm text-soft hover:underline">
          {page.setName}
        </Link>
        <span aria-hidden className="text-soft">
          /
        </span>
        <strong className="max-w-64 truncate text-lg leading-tight font-semibold" title={piece.name}>
          {piece.name}
        </strong>
      </p>
      <p className="text-sm text-soft">
        {piece.copies} {piece.copies === 1 ? "copy" : "copies"}, 1:{page.scale}, {substrateWord[piece.substrate]}
        {finishes.length === 1 && `, ${sheenWord[finishes[0]!]}`}
        {zones.some((z) => z.settings.handled) && ", handled"}
      </p>
      <p className="flex items-center gap-2 text-sm empty:hidden" data-testid="piece-found">
        <FoundCounts found={found} size={13} />
      </p>
      {page.steps > 0 && (
        <p className="text-sm text-soft" data-testid="piece-progress">
          {page.done} of {page.steps} steps done
        </p>
      )}
      <nav aria-label="Views of the piece" className="scroll-quiet ml-auto flex max-w-full overflow-x-auto">
        {coats && (
          <NavLink to={`${base}/coats/${coats}`} className={viewLink}>
            Coats
          </NavLink>
        )}
        <NavLink to={`${base}/look`} className={viewLink}>
          Look
        </NavLink>
        <NavLink to={`${base}/picture`} className={viewLink}>
          Picture
        </NavLink>
        <NavLink to={`${base}/weathering`} className={viewLink}>
          Weathering
        </NavLink>
        <NavLink to={`${base}/table`} className={viewLink}>
          From the table
        </NavLink>
        {(page.hasTray || isBase(page)) && (
          <NavLink to={`${base}/base`} className={viewLink}>
            Base
          </NavLink>
        )}
        <NavLink to={`${base}/mend`} className={viewLink}>
          Mend
        </NavLink>
        <NavLink to={`${base}/amounts`} className={viewLink}>
          Amounts
        </NavLink>
        {page.piece.piece.copies > 1 && (
          <NavLink to={`${base}/first`} className={viewLink}>
            First copy
          </NavLink>
        )}
        <NavLink to={`${base}/history`} className={viewLink}>
          History
        </NavLink>
      </nav>
    </div>
  );
}

/** A piece that is called a base, or lies flat and is round, may have a tray. */
const isBase = (page: PiecePage) => page.piece.piece.kind === "base" || page.piece.piece.shape === "disc";

const lastOf = (zones: ZoneView[]) => (zones.find((z) => z.id === lastZone()) ?? zones[0])?.id;

function ZoneRail({ page, zoneId }: { page: PiecePage; zoneId: string | undefined }) {
  const base = `/piece/${page.piece.id}`;
  const others = page.pieces.filter((p) => p.id !== page.piece.id);
  return (
    <nav
      aria-label="Zones"
      className="scroll-quiet flex min-w-0 gap-1 self-start overflow-x-auto rounded-lg border border-line bg-panel p-1.5 lg:max-h-[calc(100vh-7.5rem)] lg:flex-col lg:overflow-y-auto print:hidden"
    >
      {page.piece.zones.map((z) => (
        <Link
          key={z.id}
          to={`${base}/coats/${z.id}`}
          aria-current={z.id === zoneId ? "page" : undefined}
          className={`flex min-w-36 shrink-0 items-center gap-2 rounded p-1.5 lg:min-w-0 ${z.id === zoneId ? "bg-tint" : "hover:bg-raised"}`}
        >
          <MiniCore strata={z.sample} />
          <span className="min-w-0 flex-1 text-sm leading-tight">
            <span className="line-clamp-2 font-semibold break-words" title={z.settings.name}>
              {z.settings.name}
            </span>
            <span className="flex flex-wrap items-center gap-x-2 text-xs text-soft">
              {area(z.areaMm2)}
              <FoundCounts found={z.findings} size={11} bare />
            </span>
          </span>
        </Link>
      ))}
      <Link
        to={`/sets/${page.setId}?new=zone&piece=${page.piece.id}`}
        className="flex min-h-8 shrink-0 items-center gap-1 rounded px-2 text-sm text-soft hover:bg-raised hover:text-ink"
      >
        <Plus size={14} aria-hidden /> Zone
      </Link>
      {others.length > 0 && (
        <div className="mt-1 hidden border-t border-line pt-1 lg:block">
          <p className="px-2 py-1 text-xs font-semibold text-soft">Also in {page.setName}</p>
          {others.map((p) => (
            <Link
              key={p.id}
              to={`/piece/${p.id}`}
              className="flex min-h-7 items-center rounded px-2 text-sm text-soft hover:bg-raised hover:text-ink"
            >
              <span className="truncate">{p.name}</span>
            </Link>
          ))}
        </div>
      )}
    </nav>
  );
}

/** A piece opens on the coats of the zone that was open last, else on its first. */
export function PieceHome() {
  const { pieceId = "" } = useParams();
  const page = useQuery(queries.piece(pieceId));
  if (!page.data) return null;
  const zone = lastOf(page.data.piece.zones);
  if (zone) return <Navigate to={`/piece/${pieceId}/coats/${zone}`} replace />;
  return (
    <div className="mx-auto max-w-md p-10 text-center">
      <h1 className="mb-2 text-xl font-semibold">No zone yet</h1>
      <p className="mb-4 text-soft">
        A zone is what gets one stack of coats: the stones, the planks, the rim. Begin with the largest.
      </p>
      <Link to={`/sets/${page.data.setId}?new=zone&piece=${pieceId}`} className="font-semibold text-accent underline">
        Add the first zone
      </Link>
    </div>
  );
}

/** The piece that was open last, else the first there is. */
export function PieceStart() {
  const zones = useQuery(queries.zones());
  if (zones.isError) return <Gone what="piece" error={zones.error} />;
  if (!zones.data) return <p className="p-6 text-soft">Opening…</p>;
  const open =
    zones.data.find((z) => z.id === lastZone() && z.pieceId === lastPiece()) ??
    zones.data.find((z) => z.pieceId === lastPiece()) ??
    zones.data.find((z) => z.id === lastZone()) ??
    zones.data[0];
  if (open) return <Navigate to={`/piece/${open.pieceId}/coats/${open.id}`} replace />;
  return (
    <div className="mx-auto max-w-md p-10 text-center">
      <h1 className="mb-2 text-xl font-semibold">No zone to paint yet</h1>
      <p className="mb-4 text-soft">
        Coats are planned on a zone of a piece. Make a set with a piece and a zone first.
      </p>
      <Link to="/sets" className="font-semibold text-accent underline">
        Go to your sets
      </Link>
    </div>
  );
}

/** A zone whose piece isn't named in the address. */
export function ZoneDoor() {
  const { zoneId = "" } = useParams();
  const page = useQuery(queries.zone(zoneId));
  if (page.isError) return <Gone what="zone" error={page.error} />;
  if (!page.data) return <p className="p-6 text-soft">Opening…</p>;
  return <Navigate to={`/piece/${page.data.pieceId}/coats/${zoneId}`} replace />;
}
