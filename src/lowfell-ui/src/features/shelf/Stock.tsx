import { bounds } from "../../api/bounds";
import { changed } from "../../api/changes";
import { Plus, X } from "lucide-react";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { Bottle, BottleDraft, Material } from "../../api/types";
import { number } from "../../api/words";
import { useDraft } from "../../craft/useDraft";
import { Button, Field, IconButton, NumberInput, notify, TextInput } from "../../ui";
import { DropStep } from "./DropStep";

/** Bottles of a material, and how large its drops are. */
export function Stock({ material }: { material: Material }) {
  const [fault, setFault] = useState<string>();
  async function run(call: () => Promise<unknown>) {
    try {
      await call();
      setFault(undefined);
    } catch (error) {
      setFault(wording(error));
    }
    await changed("bottles");
  }
  const add = (bottle: BottleDraft) =>
    run(() => ask(api.POST("/api/materials/{id}/bottles", { params: { path: { id: material.id } }, body: bottle })));
  const remove = (b: Bottle) =>
    run(async () => {
      await ask(api.DELETE("/api/bottles/{id}", { params: { path: { id: b.id }, query: { version: b.version } } }));
      notify("The bottle is gone.", () => void add(b.bottle));
    });
  const lowAt = material.material.lowStockMl;
  return (
    <div className="flex flex-col gap-4 p-4 text-sm">
      <div>
        <p className="mb-2" data-testid="stock">
          <strong className="text-base">{number(material.stock.leftMl)} ml</strong> left
          {lowAt != null && (
            <span className={material.stock.low ? "font-semibold text-risk" : "text-soft"}>
              {material.stock.low ? `: low, under ${number(lowAt)} ml` : `, low under ${number(lowAt)} ml`}
            </span>
          )}
        </p>
        {material.stock.bottles.length === 0 && <p className="mb-2 text-soft">No bottle is counted yet.</p>}
        <ul className="flex flex-col gap-2">
          {material.stock.bottles.map((b, i) => (
            <BottleRow
              key={`${b.id} ${b.version}`}
              place={i + 1}
              bottle={b}
              onChange={(bottle) =>
                run(() =>
                  ask(
                    api.PUT("/api/bottles/{id}", {
                      params: { path: { id: b.id } },
                      body: { version: b.version, bottle },
                    }),
                  ),
                )
              }
              onRemove={() => void remove(b)}
            />
          ))}
        </ul>
        {fault && (
          <p role="alert" className="mt-2 font-semibold text-stop">
            {fault}
          </p>
        )}
        <Button
          className="mt-2"
          onClick={() =>
            void add({
              sizeMl: material.stock.bottles.at(-1)?.bottle.sizeMl ?? 17,
              leftMl: material.stock.bottles.at(-1)?.bottle.sizeMl ?? 17,
              price: material.stock.bottles.findLast((b) => b.bottle.price != null)?.bottle.price,
              lot: "",
            })
          }
        >
          <Plus size={15} aria-hidden /> New bottle
        </Button>
      </div>
      <DropStep material={material} />
    </div>
  );
}

interface RowProps {
  place: number;
  bottle: Bottle;
  onChange: (bottle: BottleDraft) => void;
  onRemove: () => void;
}

function BottleRow({ place, bottle: { id, version, bottle, wantsTest }, onChange, onRemove }: RowProps) {
  const [draft, setDraft, forget] = useDraft(`bottle ${id} ${version}`, bottle);
  const set = (part: Partial<BottleDraft>) => setDraft({ ...draft, ...part });
  const changed = JSON.stringify(draft) !== JSON.stringify(bottle);
  return (
    <li className="rounded border border-line p-2">
      <div className="grid grid-cols-[1fr_1fr_1.4fr_1fr_1fr_2rem] items-end gap-2">
        <Field label="Left, ml">
          {(id) => (
            <NumberInput
              id={id}
              value={draft.leftMl}
              bound={{ ...bounds.BottleDraft.leftMl, max: draft.sizeMl }}
              onChange={(leftMl) => set({ leftMl })}
            />
          )}
        </Field>
        <Field label="of, ml">
          {(id) => (
            <NumberInput
              id={id}
              value={draft.sizeMl}
              bound={bounds.BottleDraft.sizeMl}
              onChange={(sizeMl) => set({ sizeMl })}
            />
          )}
        </Field>
        <Field label="Opened">
          {(id) => (
            <TextInput
              id={id}
              type="date"
              value={draft.openedOn ?? ""}
              onChange={(e) => set({ openedOn: e.target.value || undefined })}
            />
          )}
        </Field>
        <Field label="Lot">
          {(id) => (
            <TextInput
              id={id}
              {...bounds.BottleDraft.lot}
              value={draft.lot}
              onChange={(e) => set({ lot: e.target.value })}
            />
          )}
        </Field>
        <Field label="Price">
          {(id) => (
            <NumberInput
              id={id}
              value={draft.price ?? null}
              bound={bounds.BottleDraft.price}
              onChange={(price) => set({ price })}
              onEmpty={() => set({ price: null })}
            />
          )}
        </Field>
        <IconButton label={`Throw bottle ${place} away`} onClick={onRemove}>
          <X size={16} aria-hidden />
        </IconButton>
      </div>
      {wantsTest && (
        <p className="mt-1 text-xs text-risk">Open for a year and more: shake it, and try it on a scrap first.</p>
      )}
      {changed && (
        <Button
          look="main"
          className="mt-2"
          onClick={() => {
            forget();
            onChange(draft);
          }}
        >
          Keep the bottle
        </Button>
      )}
    </li>
  );
}
