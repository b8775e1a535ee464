import { useQuery } from "@tanstack/react-query";
import { ClipboardPaste, Ellipsis, Plus, Table2 } from "lucide-react";
import { useRef, useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { queries } from "../../api/queries";
import type { PieceView, SetView, ZoneView } from "../../api/types";
import { area } from "../../api/words";
import { Gone } from "../../craft/Gone";
import { useTitle } from "../../craft/useTitle";
import { Button, Menu } from "../../ui";
import { PasteDialog } from "./PasteDialog";
import { PieceRows } from "./PieceRows";
import { PieceTable } from "./PieceTable";
import { PieceDialog } from "./PieceDialog";
import { SetAnswer } from "./SetAnswer";
import { SetDialog } from "./SetDialog";
import { useTree } from "./useTree";
import { ZoneDialog } from "./ZoneDialog";

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
        <span className="ml-auto flex flex-wrap items-center gap-1">
          {set.pieces.length > 0 && (
            <Button
              aria-pressed={asTable}
              look={asTable ? "main" : "plain"}
              onClick={() => setParams(asTable ? {} : { view: "table" }, { replace: true })}
            >
              <Table2 size={15} aria-hidden /> Table
            </Button>
          )}
          <Link
            to={`/sets/${setId}/board`}
            className="inline-flex min-h-8 items-center rounded border border-strong bg-raised px-3 text-sm font-medium hover:bg-tint"
          >
            Board
          </Link>
          <Link
            to={`/sets/${setId}/table`}
            className="inline-flex min-h-8 items-center rounded border border-strong bg-raised px-3 text-sm font-medium hover:bg-tint"
          >
            From the table
          </Link>
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
      <SetAnswer set={set} />
      <section aria-label={set.name} className="rounded-lg border border-line bg-panel">
        {set.pieces.length === 0 && (
          <p className="px-4 py-3 text-sm text-soft">
            No piece yet. Add one with its copies and size, or paste a list of them.
          </p>
        )}
        {asTable && set.pieces.length > 0 && <PieceTable set={set} tree={tree} />}
        {!asTable && (
          <PieceRows
            set={set}
            tree={tree}
            onPiece={(piece) => setEditing({ kind: "piece", piece })}
            onZone={(piece, zone) => setEditing({ kind: "zone", piece, zone })}
          />
        )}
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

function setSummary(set: SetView): string {
  const copies = set.pieces.reduce((n, p) => n + p.piece.copies, 0);
  const whole = set.pieces.reduce((n, p) => n + p.piece.copies * p.areaMm2, 0);
  return copies === 0 ? "" : `${copies} ${copies === 1 ? "piece" : "pieces"}, ${area(whole)}`;
}
