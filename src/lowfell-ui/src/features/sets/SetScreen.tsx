import { useQuery } from "@tanstack/react-query";
import { ClipboardPaste, Ellipsis, Plus, Table2 } from "lucide-react";
import { useRef, useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { queries } from "../../api/queries";
import type { PieceView, SetView, ZoneView } from "../../api/types";
import { area, duration, substrateWord } from "../../api/words";
import { Gone } from "../../craft/Gone";
import { useTitle } from "../../craft/useTitle";
import { Button, countFound, FoundCounts, Menu } from "../../ui";
import { PasteDialog } from "./PasteDialog";
import { PieceTable } from "./PieceTable";
import { PieceDialog } from "./PieceDialog";
import { SetDialog } from "./SetDialog";
import { swap } from "./swap";
import { useTree } from "./useTree";
import { ZoneDialog } from "./ZoneDialog";
import { ZoneTile } from "./ZoneTile";

type Editing =
  | { kind: "set" }
  | { kind: "paste" }
  | { kind: "piece"; piece?: PieceView }
  | { kind: "zone"; piece: PieceView; zone?: ZoneView }
  | null;

/** A set with its pieces and their zones, the finished look and the trouble of each. */
export function SetScreen() {
  const { setId = "" } = useParams();
  const query = useQuery(queries.set(setId));
  const [params, setParams] = useSearchParams();
  const [chosen, setEditing] = useState<Editing>(null);
  const made = useRef<string>(undefined);
  const navigate = useNavigate();
  const tree = useTree();
  useTitle(query.data?.name);
  if (query.isError) return <Gone what="set" error={query.error} />;
  if (!query.data) return <p className="p-6 text-soft">Opening the set…</p>;
  const set = query.data;
  const wanted = params.get("new") === "zone" ? set.pieces.find((p) => p.id === params.get("piece")) : undefined;
  const editing: Editing = chosen ?? (wanted ? { kind: "zone", piece: wanted } : null);
  const asTable = params.get("view") === "table";
  // Whoever came from a piece for a zone goes back there, to the new zone where there is one.
  const close = () => {
    setEditing(null);
    if (wanted) void navigate(`/piece/${wanted.id}${made.current ? `/coats/${made.current}` : ""}`, { replace: true });
  };
  return (
    <div className="mx-auto w-full max-w-[1500px] px-3 pb-10 lg:px-4">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2.5">
        <Link to="/sets" className="text-sm text-soft hover:underline">
          Sets
        </Link>
        <span aria-hidden className="text-soft">
          /
        </span>
        <h1 className="max-w-full truncate text-lg font-semibold">{set.name}</h1>
        <span className="text-sm text-soft">{setSummary(set)}</span>
        <span className="ml-auto flex items-center gap-1">
          {set.pieces.length > 0 && (
            <Button
              aria-pressed={asTable}
              look={asTable ? "main" : "plain"}
              onClick={() => setParams(asTable ? {} : { view: "table" }, { replace: true })}
            >
              <Table2 size={15} aria-hidden /> Table
            </Button>
          )}
          <Button onClick={() => setEditing({ kind: "paste" })}>
            <ClipboardPaste size={15} aria-hidden /> Paste pieces
          </Button>
          <Button look="main" onClick={() => setEditing({ kind: "piece" })}>
            <Plus size={15} aria-hidden /> Piece
          </Button>
          <Menu
            label={`More for ${set.name}`}
            icon={<Ellipsis size={17} aria-hidden />}
            items={[
              { label: "Edit", onSelect: () => setEditing({ kind: "set" }) },
              { label: "Copy", onSelect: () => tree.copySet(set) },
              {
                label: "Delete",
                onSelect: () => {
                  void navigate("/sets");
                  void tree.removeSet(set);
                },
              },
            ]}
          />
        </span>
      </div>
      <section aria-label={set.name} className="rounded-lg border border-line bg-panel">
        {set.pieces.length === 0 && (
          <p className="px-4 py-3 text-sm text-soft">
            No piece yet. Add one with its copies and size, or paste a list of them.
          </p>
        )}
        {asTable && set.pieces.length > 0 && <PieceTable set={set} tree={tree} />}
        {!asTable &&
          set.pieces.map((piece, place) => (
            <div
              key={piece.id}
              className="grid gap-3 border-b border-line px-4 py-2.5 last:border-b-0 sm:grid-cols-[13rem_minmax(0,1fr)]"
            >
              <div className="flex min-w-0 items-start gap-1">
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
                  <PieceJudged piece={piece} onOrder={(ids) => tree.orderZones(piece, ids)} />
                  {piece.piece.partOfId && (
                    <p className="text-xs text-soft">
                      fitted on{" "}
                      {set.pieces.find((p) => p.id === piece.piece.partOfId)?.piece.name ?? "a piece that is gone"}
                    </p>
                  )}
                </div>
                <Menu
                  label={`More for ${piece.piece.name}`}
                  icon={<Ellipsis size={16} aria-hidden />}
                  items={[
                    { label: "Edit", onSelect: () => setEditing({ kind: "piece", piece }) },
                    { label: "Add a zone", onSelect: () => setEditing({ kind: "zone", piece }) },
                    { label: "Copy", onSelect: () => tree.copyPiece(piece) },
                    {
                      label: "Move up",
                      disabled: place === 0,
                      onSelect: () =>
                        tree.orderPieces(
                          set,
                          swap(
                            set.pieces.map((p) => p.id),
                            place,
                            place - 1,
                          ),
                        ),
                    },
                    {
                      label: "Move down",
                      disabled: place === set.pieces.length - 1,
                      onSelect: () =>
                        tree.orderPieces(
                          set,
                          swap(
                            set.pieces.map((p) => p.id),
                            place,
                            place + 1,
                          ),
                        ),
                    },
                    { label: "Delete", onSelect: () => tree.removePiece(piece) },
                  ]}
                />
              </div>
              <div className="flex flex-wrap gap-2">
                {piece.zones.map((zone, at) => (
                  <ZoneTile
                    key={zone.id}
                    zone={zone}
                    menu={[
                      { label: "Edit", onSelect: () => setEditing({ kind: "zone", piece, zone }) },
                      { label: "Copy", onSelect: () => tree.copyZone(zone) },
                      {
                        label: "Move left",
                        disabled: at === 0,
                        onSelect: () =>
                          tree.orderZones(
                            piece,
                            swap(
                              piece.zones.map((z) => z.id),
                              at,
                              at - 1,
                            ),
                          ),
                      },
                      {
                        label: "Move right",
                        disabled: at === piece.zones.length - 1,
                        onSelect: () =>
                          tree.orderZones(
                            piece,
                            swap(
                              piece.zones.map((z) => z.id),
                              at,
                              at + 1,
                            ),
                          ),
                      },
                      { label: "Delete", onSelect: () => tree.removeZone(zone) },
                    ]}
                  />
                ))}
                {piece.zones.length === 0 && (
                  <Button onClick={() => setEditing({ kind: "zone", piece })}>
                    <Plus size={15} aria-hidden /> First zone
                  </Button>
                )}
              </div>
            </div>
          ))}
      </section>
      {editing?.kind === "set" && <SetDialog set={set} onClose={close} onSave={(draft) => tree.saveSet(draft, set)} />}
      {editing?.kind === "paste" && <PasteDialog set={set} onClose={close} />}
      {editing?.kind === "piece" && (
        <PieceDialog
          setId={set.id}
          piece={editing.piece}
          siblings={set.pieces}
          onClose={close}
          onSave={(draft) => tree.savePiece(set, draft, editing.piece)}
        />
      )}
      {editing?.kind === "zone" && (
        <ZoneDialog
          piece={editing.piece}
          fitted={set.pieces.some((p) => p.piece.partOfId && [p.id, p.piece.partOfId].includes(editing.piece.id))}
          siblings={set.pieces}
          zone={editing.zone}
          onClose={close}
          onSave={async (settings) => {
            made.current = (await tree.saveZone(editing.piece, settings, editing.zone))?.id;
          }}
        />
      )}
    </div>
  );
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

function setSummary(set: SetView): string {
  const copies = set.pieces.reduce((n, p) => n + p.piece.copies, 0);
  const whole = set.pieces.reduce((n, p) => n + p.piece.copies * p.areaMm2, 0);
  return copies === 0 ? "" : `${copies} ${copies === 1 ? "piece" : "pieces"}, ${area(whole)}`;
}
