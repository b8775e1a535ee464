import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { Redo2, Undo2 } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { ZonePage } from "../../api/types";
import { area, substrateWord } from "../../api/words";
import { Choice, IconButton } from "../../ui";
import { SchemeDialog } from "./SchemeDialog";
import { zoneOptions } from "../../craft/zoneOptions";
import type { SaveState, useStackEditor } from "./useStackEditor";

/** Where the painter is, what the change touches, and whether it is kept. */
export function StackHeader({ page, editor }: { page: ZonePage; editor: ReturnType<typeof useStackEditor> }) {
  const [scheme, setScheme] = useState(false);
  const navigate = useNavigate();
  const sets = useQuery(queries.sets());
  const options = zoneOptions(sets.data);
  const others = page.scheme.uses.length - 1;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-4 py-2">
      <div className="flex items-baseline gap-2">
        <Link to="/sets" className="text-sm text-soft hover:underline">
          {page.setName}
        </Link>
        <span aria-hidden className="text-soft">
          /
        </span>
        <h1 className="sr-only">
          {page.piece.name}: {page.settings.name}
        </h1>
      </div>
      <div className="w-64">
        <Choice
          label="Zone"
          value={page.id}
          options={
            options.length > 0 ? options : [{ value: page.id, label: `${page.piece.name}: ${page.settings.name}` }]
          }
          onChange={(id) => void navigate(`/stack/${id}`)}
        />
      </div>
      <span className="text-sm text-soft">
        {page.piece.copies} × {area(page.zone.areaMm2)}, {page.zone.relief} {substrateWord[page.zone.substrate]}
      </span>
      <button type="button" onClick={() => setScheme(true)} className="rounded px-2 py-1 text-sm hover:bg-tint">
        Scheme <strong className="font-semibold">{page.scheme.name}</strong>
        {others > 0 && (
          <span className="text-soft">
            , also on {others} other {others === 1 ? "zone" : "zones"}
          </span>
        )}
      </button>
      <div className="ml-auto flex items-center gap-1">
        <SaveNote save={editor.save} />
        <IconButton label="Undo (z)" disabled={!editor.canUndo} onClick={editor.undo}>
          <Undo2 size={17} aria-hidden />
        </IconButton>
        <IconButton label="Redo (Shift + z)" disabled={!editor.canRedo} onClick={editor.redo}>
          <Redo2 size={17} aria-hidden />
        </IconButton>
      </div>
      <SchemeDialog open={scheme} page={page} onClose={() => setScheme(false)} />
    </div>
  );
}

function SaveNote({ save }: { save: SaveState }) {
  const text = {
    saved: "Kept",
    saving: "Keeping…",
    waiting: "Not kept yet; trying again",
    refused: "Not kept",
    conflict: "Changed elsewhere",
  }[save.kind];
  return (
    <span
      role="status"
      data-save={save.kind}
      title={"why" in save ? save.why : undefined}
      className={`mr-2 text-sm ${save.kind === "saved" || save.kind === "saving" ? "text-soft" : "font-semibold text-risk"}`}
    >
      {text}
      {save.kind === "refused" && <span className="font-normal">: {save.why}</span>}
    </span>
  );
}
