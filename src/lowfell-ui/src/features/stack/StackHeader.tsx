import { Redo2, Undo2 } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import type { ZonePage } from "../../api/types";
import { area, substrateWord } from "../../api/words";
import { Button, IconButton } from "../../ui";
import { SchemeDialog } from "./SchemeDialog";
import type { SaveState, useStackEditor } from "./useStackEditor";

const ReadyDialog = lazy(async () => ({ default: (await import("./ReadyDialog")).ReadyDialog }));

interface Props {
  page: ZonePage;
  editor: ReturnType<typeof useStackEditor>;
  onBeside: () => void;
}

/** Where the painter is, what the change touches, and whether it is kept. */
export function StackHeader({ page, editor, onBeside }: Props) {
  const [scheme, setScheme] = useState(false);
  const [ready, setReady] = useState(false);
  const others = page.scheme.uses.length - 1;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 rounded-lg border border-line bg-panel px-3 py-1">
      <h1 className="max-w-72 truncate font-semibold" title={page.settings.name}>
        <span className="sr-only">{page.piece.name}: </span>
        {page.settings.name}
      </h1>
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
        <Button look="quiet" onClick={() => setReady(true)} title="A ready scheme for this zone, from your shelf">
          Ready schemes…
        </Button>
        <Button look="quiet" onClick={onBeside} title="Lay another stack beside this one">
          Beside…
        </Button>
        <IconButton label="Undo (z or Ctrl + z)" disabled={!editor.canUndo} onClick={editor.undo}>
          <Undo2 size={17} aria-hidden />
        </IconButton>
        <IconButton label="Redo (Shift + z or Ctrl + Shift + z)" disabled={!editor.canRedo} onClick={editor.redo}>
          <Redo2 size={17} aria-hidden />
        </IconButton>
      </div>
      {ready && (
        <Suspense>
          <ReadyDialog page={page} onClose={() => setReady(false)} />
        </Suspense>
      )}
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
