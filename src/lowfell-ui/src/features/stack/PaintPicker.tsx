import { ChevronDown, Plus } from "lucide-react";
import { type KeyboardEvent, lazy, Suspense, useMemo, useState } from "react";
import type { Coat, Family, Material, Mix } from "../../api/types";
import { familyWord, techniqueFacts } from "../../api/words";
import { noteLast, withMaterial } from "./stackEdits";
import { Button, Dialog, Field, Popover, TextInput } from "../../ui";

const QuickPaint = lazy(async () => ({ default: (await import("../../craft/QuickPaint")).QuickPaint }));

interface Props {
  coat: Coat;
  materials: Material[];
  mixes: Mix[];
  onPick: (apply: (coat: Coat) => Coat) => void;
}

interface Row {
  id: string;
  name: string;
  kind: string;
  family?: Family;
  colour: string;
  apply: (coat: Coat) => Coat;
}

/** A material or mix of the bench, found by typing any of its words. */
export function PaintPicker({ coat, materials, mixes, onPick }: Props) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState("");
  const [at, setAt] = useState(0);
  const [making, setMaking] = useState<string>();
  const rows = useMemo(() => paintRows(materials, mixes), [materials, mixes]);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  // What the technique is usually laid of comes first.
  const suits = techniqueFacts(coat.technique).suits;
  const fits = (r: Row) => (r.family === undefined || suits.includes(r.family) ? 0 : 1);
  const found = rows
    .filter((r) => words.every((w) => `${r.name} ${r.kind}`.toLowerCase().includes(w)))
    .sort((a, b) => fits(a) - fits(b));
  const current = rows.find((r) => r.id === (coat.materialId ?? coat.mixId));
  const pick = (row: Row) => {
    onPick((c) => {
      const next = row.apply(c);
      noteLast(next);
      return next;
    });
    setOpen(false);
  };
  function onKey(e: KeyboardEvent) {
    if (e.key === "ArrowDown") setAt(Math.min(at + 1, found.length - 1));
    else if (e.key === "ArrowUp") setAt(Math.max(at - 1, 0));
    else if (e.key === "Enter" && found[at]) pick(found[at]);
    else return;
    e.preventDefault();
  }
  const make = (material: Material) => {
    onPick((c) => withMaterial(c, material, [...materials, material]));
    setOpen(false);
  };
  return (
    <>
      {making !== undefined && (
        <Dialog open wide title="New paint" onClose={() => setMaking(undefined)}>
          <Suspense>
            <QuickPaint name={making} onKept={make} onDone={() => setMaking(undefined)} />
          </Suspense>
        </Dialog>
      )}
      <Field label="Material or mix" hint={coat.mixedTo ? `Mixed by eye to ${coat.mixedTo}` : undefined}>
        {(id) => (
          <Popover
            open={open}
            onOpenChange={(next) => {
              setOpen(next);
              setText("");
              setAt(0);
            }}
            trigger={
              <button
                id={id}
                type="button"
                className="flex min-h-9 w-full items-center gap-2 rounded border border-strong bg-raised px-2 py-1 text-left text-sm"
              >
                <span className="rounded bg-swatch p-0.5">
                  <span className="block h-5 w-8 rounded-sm" style={{ background: coat.mixedTo ?? current?.colour }} />
                </span>
                <span className="min-w-0 flex-1">
                  <span className="block truncate">{current?.name ?? "Choose…"}</span>
                </span>
                <span className="text-xs text-soft">{current?.kind}</span>
                <ChevronDown size={15} aria-hidden />
              </button>
            }
          >
            <TextInput
              autoFocus
              role="combobox"
              aria-label="Find a material or mix"
              aria-expanded
              aria-controls="paint-list"
              aria-activedescendant={found[at] ? `paint-${found[at].id}` : undefined}
              placeholder="Name, house or kind"
              value={text}
              onChange={(e) => {
                setText(e.target.value);
                setAt(0);
              }}
              onKeyDown={onKey}
            />
            <ul
              id="paint-list"
              role="listbox"
              aria-label="Materials and mixes"
              className="mt-2 max-h-80 overflow-y-auto"
            >
              {found.map((row, i) => (
                <li
                  key={row.id}
                  id={`paint-${row.id}`}
                  role="option"
                  aria-selected={row.id === current?.id}
                  ref={i === at ? (el) => el?.scrollIntoView({ block: "nearest" }) : undefined}
                  className={`flex items-center gap-2 rounded px-1.5 py-1 text-sm ${i === at ? "bg-tint" : ""}`}
                  onPointerMove={() => i !== at && setAt(i)}
                  onClick={() => pick(row)}
                >
                  <span className="rounded bg-swatch p-0.5">
                    <span className="block h-4 w-7 rounded-sm" style={{ background: row.colour }} />
                  </span>
                  <span className="min-w-0 flex-1 truncate">{row.name}</span>
                  <span className="text-xs text-soft">{row.kind}</span>
                </li>
              ))}
              {found.length === 0 && (
                <li className="p-2 text-sm text-soft">
                  {rows.length === 0 ? "The shelf is bare." : "Nothing on the shelf is called that."}
                </li>
              )}
            </ul>
            <Button look="quiet" className="mt-1" onClick={() => setMaking(text)}>
              <Plus size={15} aria-hidden /> New paint{found.length === 0 && text.trim() ? `: ${text.trim()}` : "…"}
            </Button>
          </Popover>
        )}
      </Field>
    </>
  );
}

function paintRows(materials: Material[], mixes: Mix[]): Row[] {
  const clean = ({ materialId: _m, mixId: _x, mixedTo: _t, ...coat }: Coat): Coat => coat;
  return [
    ...mixes.map((m) => ({
      id: m.id,
      name: m.mix.name,
      kind: "Mix",
      colour: m.preview.overWhite[2] ?? "#888888",
      apply: (c: Coat) => ({ ...clean(c), mixId: m.id }),
    })),
    ...materials.map((m) => ({
      id: m.id,
      name: m.material.name,
      kind: familyWord[m.material.family],
      family: m.material.family,
      colour: m.facts.colour,
      apply: (c: Coat) => withMaterial(c, m, materials),
    })),
  ];
}
