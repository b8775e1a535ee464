import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { SortableContext, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { Copy, Layers, Plus, SkipForward, Trash2 } from "lucide-react";
import type { Coat, Preview, ZoneDraft } from "../../api/types";
import { substrateWord } from "../../api/words";
import { Button, IconButton } from "../../ui";
import type { PaintNames } from "./names";
import { type MarkedFinding, StratumRow } from "./StratumRow";

export interface StackActions {
  select: (index: number) => void;
  insert: (barrier: boolean) => void;
  duplicate: () => void;
  remove: () => void;
  skip: () => void;
  drag: (from: number, to: number) => void;
}

interface Props {
  coats: Coat[];
  names: PaintNames;
  preview: Preview | undefined;
  findings: MarkedFinding[];
  selected: string | undefined;
  shown: MarkedFinding | null;
  substrate: ZoneDraft["substrate"];
  actions: StackActions;
  onFinding: (finding: MarkedFinding) => void;
}

/** The zone's stack as a core drilled through it: the substrate at the foot, the last coat on top. */
export function CoreSample({ coats, names, preview, findings, selected, shown, substrate, actions, onFinding }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { keyboardCodes: { start: [], cancel: ["Escape"], end: [] } }),
  );
  const topDown = coats.map((coat, index) => ({ coat, index })).toReversed();
  function onDragEnd({ active, over }: DragEndEvent) {
    if (over)
      actions.drag(
        coats.findIndex((c) => c.id === active.id),
        coats.findIndex((c) => c.id === over.id),
      );
  }
  const strata = new Map(preview?.strata.map((s) => [s.coatId, s]));
  return (
    <>
      <div className="flex items-center gap-1 border-b border-line px-3 py-1.5">
        <Button look="main" onClick={() => actions.insert(false)} title="New coat above the selected one (n)">
          <Plus size={15} aria-hidden /> Coat
        </Button>
        <Button onClick={() => actions.insert(true)} title="Barrier above the selected one (b)">
          <Layers size={15} aria-hidden /> Barrier
        </Button>
        <span className="ml-auto flex">
          <IconButton label="Duplicate (d)" disabled={!selected} onClick={actions.duplicate}>
            <Copy size={16} aria-hidden />
          </IconButton>
          <IconButton label="Skip, or take back in (x)" disabled={!selected} onClick={actions.skip}>
            <SkipForward size={16} aria-hidden />
          </IconButton>
          <IconButton label="Remove (Delete)" disabled={!selected} onClick={actions.remove}>
            <Trash2 size={16} aria-hidden />
          </IconButton>
        </span>
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto px-3 pt-2 pb-4">
        <div aria-hidden className="grid core-columns pb-1 text-xs text-soft">
          <span />
          <span className="grid grid-cols-3 text-center">
            <span>recess</span>
            <span>face</span>
            <span>edge</span>
          </span>
        </div>
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
          <SortableContext items={topDown.map((t) => t.coat.id)} strategy={verticalListSortingStrategy}>
            <div role="list" aria-label="Coats, the last one first">
              {topDown.map(({ coat, index }, place) => (
                <StratumRow
                  key={coat.id}
                  coat={coat}
                  index={index}
                  first={place === 0}
                  stratum={strata.get(coat.id)}
                  names={names}
                  selected={coat.id === selected}
                  findings={findings.filter((f) => f.gap === index)}
                  above={place === 0 ? findings.filter((f) => f.gap >= coats.length) : []}
                  shown={shown}
                  onSelect={() => actions.select(index)}
                  onFinding={onFinding}
                />
              ))}
            </div>
          </SortableContext>
        </DndContext>
        <div className="grid core-columns items-center text-sm text-soft">
          <span />
          <span className="grid h-8 grid-cols-3 overflow-hidden rounded-b-lg">
            {preview &&
              [preview.substrate.recess, preview.substrate.face, preview.substrate.edge].map((c, i) => (
                <span key={i} style={{ background: c.hex }} />
              ))}
          </span>
          <span />
          <span>Bare {substrateWord[substrate]}</span>
        </div>
        {coats.length === 0 && (
          <p className="pt-4 text-center text-sm text-soft">
            Put the first coat on with “Coat”, or press n; or take a ready scheme, above.
          </p>
        )}
      </div>
    </>
  );
}
