import { memo, type RefObject, useRef } from "react";
import { Ellipsis, Plus } from "lucide-react";
import { Link } from "react-router";
import type { PieceView, SetView, ZoneView } from "../../api/types";
import { area, duration, substrateWord } from "../../api/words";
import { markOf, PiecePicture } from "../../craft/PiecePicture";
import { ThreeHeights } from "../../craft/ThreeHeights";
import { Button, countFound, FoundCounts, Menu } from "../../ui";
import { swap } from "./swap";
import { useNear } from "./useNear";
import type { useTree } from "./useTree";
import { ZoneTile } from "./ZoneTile";

type Tree = ReturnType<typeof useTree>;

interface Props {
  set: SetView;
  tree: Tree;
  onPiece: (piece: PieceView) => void;
  onZone: (piece: PieceView, zone?: ZoneView) => void;
}

/** The pieces of a set with the look of their zones; of those far down only the names stand there until they come near. */
export function PieceRows({ set, tree, onPiece, onZone }: Props) {
  // What a row does is asked when it is done: a row is drawn again only where its piece is another.
  const acts = useRef({ set, tree, onPiece, onZone });
  acts.current = { set, tree, onPiece, onZone };
  return (
    <div>
      {set.pieces.map((piece, place) => (
        <PieceRow
          key={piece.id}
          piece={piece}
          place={place}
          last={place === set.pieces.length - 1}
          on={piece.piece.partOfId ? (set.pieces.find((p) => p.id === piece.piece.partOfId)?.piece.name ?? gone) : ""}
          acts={acts}
        />
      ))}
    </div>
  );
}

const atOnce = 24;
const gone = "a piece that is gone";

interface RowProps {
  piece: PieceView;
  place: number;
  last: boolean;
  /** Name of what it is fitted on. */
  on: string;
  acts: RefObject<Props>;
}

const PieceRow = memo(function PieceRow(row: RowProps) {
  const { piece, acts } = row;
  const [near, isNear] = useNear<HTMLDivElement>(row.place < atOnce);
  if (!isNear)
    return (
      <div ref={near} className="min-h-24 border-b border-line px-4 py-2.5 text-sm font-semibold">
        {piece.piece.name}
      </div>
    );
  return (
    <div className="far-off grid gap-3 border-b border-line px-4 py-2.5 last:border-b-0 sm:grid-cols-[18rem_minmax(0,1fr)]">
      <PieceHead {...row} />
      <div className="flex flex-wrap gap-2">
        {piece.zones.map((zone, at) => (
          <ZoneTile key={zone.id} zone={zone} menu={zoneMenu(acts, piece, zone, at)} />
        ))}
        {piece.zones.length === 0 && (
          <Button onClick={() => acts.current.onZone(piece)}>
            <Plus size={15} aria-hidden /> First zone
          </Button>
        )}
      </div>
    </div>
  );
});

function PieceHead({ piece, place, last, on, acts }: RowProps) {
  const move = (to: number) => {
    const { set, tree } = acts.current;
    const ids = set.pieces.map((p) => p.id);
    void tree.orderPieces(set, swap(ids, place, to));
  };
  return (
    <div className="flex min-w-0 items-start gap-2">
      {piece.zones[0] && (
        <Link
          to={`/piece/${piece.id}/look`}
          aria-label={`Look of ${piece.piece.name}`}
          className="mt-0.5 flex shrink-0 overflow-hidden rounded bg-swatch"
        >
          <PiecePicture
            pieceId={piece.id}
            w={72}
            h={48}
            mark={markOf(piece.zones.map((z) => [z.id, z.sample]))}
            meanwhile={<ThreeHeights of={piece.zones[0].sample.at(-1)} className="size-full" />}
          />
        </Link>
      )}
      <div className="min-w-0 flex-1">
        <h2 className="truncate text-sm font-semibold" title={piece.piece.name}>
          <Link to={`/piece/${piece.id}`} className="hover:underline">
            {piece.piece.name}
          </Link>{" "}
          <span className="font-normal text-soft">× {piece.piece.copies}</span>
        </h2>
        <p className="text-xs text-soft">
          {substrateWord[piece.piece.substrate]}, {area(piece.areaMm2)} each
        </p>
        <PieceJudged piece={piece} onOrder={(ids) => void acts.current.tree.orderZones(piece, ids)} />
        {on && <p className="text-xs text-soft">fitted on {on}</p>}
      </div>
      <Menu
        label={`More for ${piece.piece.name}`}
        icon={<Ellipsis size={16} aria-hidden />}
        items={[
          { label: "Edit", onSelect: () => acts.current.onPiece(piece) },
          { label: "Add a zone", onSelect: () => acts.current.onZone(piece) },
          { label: "Copy", onSelect: () => acts.current.tree.copyPiece(piece) },
          { label: "Move up", disabled: place === 0, onSelect: () => move(place - 1) },
          { label: "Move down", disabled: last, onSelect: () => move(place + 1) },
          { label: "Delete", onSelect: () => acts.current.tree.removePiece(piece) },
        ]}
      />
    </div>
  );
}

function zoneMenu(acts: RefObject<Props>, piece: PieceView, zone: ZoneView, at: number) {
  const move = (to: number) => {
    const ids = piece.zones.map((z) => z.id);
    void acts.current.tree.orderZones(piece, swap(ids, at, to));
  };
  return [
    { label: "Edit", onSelect: () => acts.current.onZone(piece, zone) },
    { label: "Copy", onSelect: () => acts.current.tree.copyZone(zone) },
    { label: "Move left", disabled: at === 0, onSelect: () => move(at - 1) },
    { label: "Move right", disabled: at === piece.zones.length - 1, onSelect: () => move(at + 1) },
    { label: "Delete", onSelect: () => acts.current.tree.removeZone(zone) },
  ];
}

/** What the rules find over the zones of a piece, and an order of them that is cheaper. */
function PieceJudged({ piece, onOrder }: { piece: PieceView; onOrder: (ids: string[]) => void }) {
  const { findings, better } = piece.current ? piece.judgement : { findings: [], better: null };
  const speaking = findings.filter((f) => f.rests == null);
  const names = new Map(piece.zones.map((z) => [z.id, z.settings.name]));
  const own = better?.zoneIds.filter((id) => names.has(id));
  return (
    <>
      {speaking.length > 0 && (
        <p
          className="flex flex-wrap gap-x-2 text-xs text-soft"
          title={speaking.map((f) => f.what).join("\n")}
          data-testid="piece-findings"
        >
          <FoundCounts found={countFound(speaking)} /> over its zones
        </p>
      )}
      {better && own && (
        <button
          type="button"
          className="text-left text-xs underline"
          title={`In the order ${own.map((id) => names.get(id)).join(", ")}`}
          onClick={() => onOrder(own)}
        >
          {duration(better.savesMinutes)} less in another order
        </button>
      )}
    </>
  );
}
