import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { ArrowDown, ArrowUp, Ellipsis, Plus } from "lucide-react";
import { useState } from "react";
import { wording } from "../../api/client";
import type { PieceView, SetView, Severity, ZoneView } from "../../api/types";
import { area, duration, substrateWord } from "../../api/words";
import { Button, Failed, IconButton, Menu, SeverityMark } from "../../ui";
import { PieceDialog } from "./PieceDialog";
import { SetDialog } from "./SetDialog";
import { useTree } from "./useTree";
import { ZoneDialog } from "./ZoneDialog";
import { ZoneTile } from "./ZoneTile";

type Editing =
  | { kind: "set"; set?: SetView }
  | { kind: "piece"; set: SetView; piece?: PieceView }
  | { kind: "zone"; piece: PieceView; zone?: ZoneView }
  | null;

/** Everything there is to paint, with the finished look and the trouble of each zone. */
export function SetsScreen() {
  const sets = useQuery(queries.sets());
  const [editing, setEditing] = useState<Editing>(null);
  const close = () => setEditing(null);
  const tree = useTree();
  if (sets.isError) return <Failed why={wording(sets.error)} onAgain={() => void sets.refetch()} />;
  if (!sets.data) return <p className="p-6 text-soft">Opening your sets…</p>;
  const ids = sets.data.map((s) => s.id);
  return (
    <div className="mx-auto w-full max-w-[1500px] px-4 pb-10">
      <div className="flex items-center gap-3 py-3">
        <h1 className="text-lg font-semibold">Sets</h1>
        <Button className="ml-auto" onClick={() => setEditing({ kind: "set" })}>
          <Plus size={15} aria-hidden /> Set
        </Button>
      </div>
      {sets.data.length === 0 && (
        <div className="rounded-lg border border-dashed border-strong p-10 text-center">
          <p className="mb-1 font-semibold">What have you got to paint?</p>
          <p className="mb-4 text-soft">Make a set for the pieces that share a look, such as the walls of one place.</p>
          <Button look="main" onClick={() => setEditing({ kind: "set" })}>
            Make the first set
          </Button>
        </div>
      )}
      {sets.data.map((set, i) => (
        <section key={set.id} aria-label={set.name} className="mb-4 rounded-lg border border-line bg-panel">
          <div className="flex flex-wrap items-center gap-1 border-b border-line py-1.5 pr-2 pl-4">
            <h2 className="max-w-full truncate font-semibold">{set.name}</h2>
            <span className="ml-2 text-sm whitespace-nowrap text-soft">{setSummary(set)}</span>
            <span className="ml-auto flex items-center">
              <Button look="quiet" onClick={() => setEditing({ kind: "piece", set })}>
                <Plus size={15} aria-hidden /> Piece
              </Button>
              <IconButton
                label={`Move ${set.name} up`}
                disabled={i === 0}
                onClick={() => tree.orderSets(swap(ids, i, i - 1))}
              >
                <ArrowUp size={16} aria-hidden />
              </IconButton>
              <IconButton
                label={`Move ${set.name} down`}
                disabled={i === ids.length - 1}
                onClick={() => tree.orderSets(swap(ids, i, i + 1))}
              >
                <ArrowDown size={16} aria-hidden />
              </IconButton>
              <Menu
                label={`More for ${set.name}`}
                icon={<Ellipsis size={17} aria-hidden />}
                items={[
                  { label: "Edit", onSelect: () => setEditing({ kind: "set", set }) },
                  { label: "Copy", onSelect: () => tree.copySet(set) },
                  { label: "Delete", onSelect: () => tree.removeSet(set) },
                ]}
              />
            </span>
          </div>
          {set.pieces.length === 0 && (
            <p className="px-4 py-3 text-sm text-soft">No piece yet. Add one with its copies and size.</p>
          )}
          {set.pieces.map((piece, place) => (
            <div
              key={piece.id}
              className="grid gap-3 border-b border-line px-4 py-2.5 last:border-b-0 sm:grid-cols-[13rem_minmax(0,1fr)]"
            >
              <div className="flex min-w-0 items-start gap-1">
                <div className="min-w-0 flex-1">
                  <h3 className="truncate text-sm font-semibold" title={piece.piece.name}>
                    {piece.piece.name} <span className="font-normal text-soft">× {piece.piece.copies}</span>
                  </h3>
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
                    { label: "Edit", onSelect: () => setEditing({ kind: "piece", set, piece }) },
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
      ))}
      {editing?.kind === "set" && (
        <SetDialog set={editing.set} onClose={close} onSave={(draft) => tree.saveSet(draft, editing.set)} />
      )}
      {editing?.kind === "piece" && (
        <PieceDialog
          piece={editing.piece}
          siblings={editing.set.pieces}
          onClose={close}
          onSave={(draft) => tree.savePiece(editing.set, draft, editing.piece)}
        />
      )}
      {editing?.kind === "zone" && (
        <ZoneDialog
          piece={editing.piece}
          fitted={sets.data.some((s) =>
            s.pieces.some((p) => p.piece.partOfId && [p.id, p.piece.partOfId].includes(editing.piece.id)),
          )}
          siblings={sets.data.find((s) => s.pieces.some((p) => p.id === editing.piece.id))?.pieces ?? []}
          zone={editing.zone}
          onClose={close}
          onSave={(settings) => tree.saveZone(editing.piece, settings, editing.zone)}
        />
      )}
    </div>
  );
}

const counted: Severity[] = ["stop", "risk", "note"];

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
          {counted.map((severity) => {
            const count = speaking.filter((f) => f.severity === severity).length;
            return count === 0 ? null : (
              <span key={severity} className="inline-flex items-center gap-0.5">
                <SeverityMark severity={severity} size={12} />
                {count} {count === 1 ? severity : `${severity}s`} over its zones
              </span>
            );
          })}
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

function swap(ids: string[], a: number, b: number): string[] {
  const next = [...ids];
  [next[a], next[b]] = [next[b]!, next[a]!];
  return next;
}
