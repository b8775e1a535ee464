import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { useVirtualizer } from "@tanstack/react-virtual";
import { ClipboardPaste, Files, Plus } from "lucide-react";
import { useRef, useState } from "react";
import { useChosen } from "../../craft/useChosen";
import { wording } from "../../api/client";
import type { Family, Material } from "../../api/types";
import { familyFacts, familyWord, number, offFigure, sheenWord } from "../../api/words";
import { Button, Choice, Failed, isColour, Menu, TextInput, Toggle } from "../../ui";
import { ImportDialog } from "./ImportDialog";
import { MaterialPane } from "./MaterialPane";
import { PastePaints } from "./PastePaints";

const rowHeight = 41;

/** Every bottle, with the colour it truly gives and what is left of it. */
export function ShelfScreen() {
  const materials = useQuery(queries.materials());
  const [text, setText] = useState("");
  const [family, setFamily] = useState<Family | "all">("all");
  const [low, setLow] = useState(false);
  const [near, setNear] = useState("");
  const [open, setOpen] = useChosen("paint");
  const [importing, setImporting] = useState(false);
  const [pasting, setPasting] = useState(false);
  const nearness = useQuery(queries.near(near, isColour(near)));
  if (materials.isError) return <Failed why={wording(materials.error)} onAgain={() => void materials.refetch()} />;
  if (!materials.data) return <p className="p-6 text-soft">Opening the shelf…</p>;
  const off = new Map((isColour(near) ? nearness.data : undefined)?.map((n) => [n.id, n.deltaE]));
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = materials.data.filter(
    (m) =>
      (family === "all" || m.material.family === family) &&
      (!low || m.stock.low) &&
      (off.size === 0 || off.has(m.id)) &&
      words.every((w) => `${m.material.name} ${m.material.house}`.toLowerCase().includes(w)),
  );
  if (off.size > 0) shown.sort((a, b) => (off.get(a.id) ?? 0) - (off.get(b.id) ?? 0));
  const present = [...new Set(materials.data.map((m) => m.material.family))];
  const current = open === "new" ? undefined : (materials.data.find((m) => m.id === open) ?? shown[0]);
  return (
    <div className="mx-auto grid w-full max-w-[1500px] flex-1 grid-cols-1 lg:grid-cols-[minmax(0,1fr)_29rem] gap-3 p-3">
      <section
        aria-label="Shelf"
        className="flex h-[55vh] min-w-0 flex-col lg:h-[calc(100vh-6.7rem)] rounded-lg border border-line bg-panel"
      >
        <div className="flex flex-wrap items-center gap-1.5 border-b border-line p-2">
          <h1 className="px-2 text-lg font-semibold">Shelf</h1>
          <TextInput
            type="search"
            aria-label="Find on the shelf"
            placeholder="Name or house"
            value={text}
            onChange={(e) => setText(e.target.value)}
            className="max-w-34"
          />
          <div className="w-38">
            <Choice<Family | "all">
              label="Family"
              value={family}
              options={[
                { value: "all", label: "All families" },
                ...present.map((f) => ({ value: f, label: familyWord[f] })),
              ]}
              onChange={setFamily}
            />
          </div>
          <label className="flex items-center gap-1.5 text-sm">
            Near
            <input
              type="color"
              aria-label="Sort by nearness to a colour"
              className="h-8 w-9 rounded border border-strong bg-swatch"
              value={isColour(near) ? near : "#888888"}
              onChange={(e) => setNear(e.target.value)}
            />
          </label>
          {near && (
            <Button look="quiet" onClick={() => setNear("")}>
              By name
            </Button>
          )}
          <Toggle label="Low" checked={low} onChange={setLow} />
          <span className="ml-auto text-sm text-soft">
            {shown.length === materials.data.length ? shown.length : `${shown.length} of ${materials.data.length}`}
          </span>
          <Menu
            label="Files"
            icon={<Files size={17} aria-hidden />}
            items={[
              { label: "Bring in the CSV of another shelf…", onSelect: () => setImporting(true) },
              { label: "Save the shelf as CSV", onSelect: () => window.location.assign("/api/shelf/shelf.csv") },
              {
                label: "Save the colours as a palette",
                onSelect: () => window.location.assign("/api/shelf/shelf.gpl"),
              },
            ]}
          />
          <Button onClick={() => setPasting(true)}>
            <ClipboardPaste size={15} aria-hidden /> Many…
          </Button>
          <Button onClick={() => setOpen("new")}>
            <Plus size={15} aria-hidden /> Material
          </Button>
        </div>
        {shown.length === 0 ? (
          <div className="p-6 text-center text-soft">
            {materials.data.length === 0 ? (
              <>
                <p className="mb-3">
                  The shelf is bare. Paste the names of your paints, or tick them on a starter shelf.
                </p>
                <Button look="main" onClick={() => setPasting(true)}>
                  Paste or tick paints
                </Button>
              </>
            ) : (
              "Nothing on the shelf fits. Try fewer words."
            )}
          </div>
        ) : (
          <Rows shown={shown} off={off} current={current?.id} onOpen={setOpen} />
        )}
      </section>
      <section
        aria-label="Material"
        className="h-[calc(100vh-6.7rem)] overflow-y-auto rounded-lg border border-line bg-panel"
      >
        <MaterialPane
          key={open === "new" ? "new" : (current?.id ?? "new")}
          material={open === "new" ? undefined : current}
          onKept={setOpen}
          onGone={() => setOpen(null)}
        />
      </section>
      {pasting && <PastePaints onClose={() => setPasting(false)} />}
      {importing && <ImportDialog onClose={() => setImporting(false)} />}
    </div>
  );
}

interface RowsProps {
  shown: Material[];
  off: Map<string, number>;
  current: string | undefined;
  onOpen: (id: string) => void;
}

/** Only the rows in sight are drawn: a shelf may hold thousands. */
function Rows({ shown, off, current, onOpen }: RowsProps) {
  const scroll = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => rowHeight,
    overscan: 12,
    initialRect: { width: 700, height: 700 },
  });
  return (
    <div ref={scroll} className="min-h-0 flex-1 overflow-y-auto" tabIndex={0} aria-label="Materials" role="region">
      <ul className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((row) => {
          const m = shown[row.index]!;
          return (
            <li
              key={m.id}
              aria-setsize={shown.length}
              aria-posinset={row.index + 1}
              className="absolute inset-x-0"
              style={{ top: row.start, height: rowHeight }}
            >
              <button
                type="button"
                aria-current={m.id === current}
                onClick={() => onOpen(m.id)}
                className={`grid h-full w-full grid-cols-[3.2rem_minmax(0,1fr)_5.5rem] sm:grid-cols-[3.2rem_minmax(0,1fr)_9.5rem_4.5rem_6.5rem_3.2rem] items-center gap-2 border-b border-line px-3 text-left text-sm ${m.id === current ? "bg-tint" : "hover:bg-raised"}`}
              >
                <span className="rounded bg-swatch p-1">
                  <span
                    className={`block h-6 rounded-sm ${familyFacts(m.material.family).clear ? "barrier-band" : ""}`}
                    style={{ backgroundColor: m.facts.colour }}
                  />
                </span>
                <span className="truncate" title={`${m.material.name}, ${m.material.house}`}>
                  <span className="font-semibold">{m.material.name}</span>
                  <span className="ml-2 text-soft">{m.material.house}</span>
                </span>
                <span className="truncate max-sm:hidden">{familyWord[m.material.family]}</span>
                <span className="truncate max-sm:hidden">
                  {sheenWord[m.facts.sheen]}
                  {m.material.effect !== "plain" && `, ${m.material.effect}`}
                </span>
                <span className="truncate text-right">
                  {m.stock.bottles.length === 0 ? (
                    <span className="text-soft">not counted</span>
                  ) : (
                    <>
                      {m.stock.low && <span className="mr-1.5 font-semibold text-risk">low</span>}
                      {number(m.stock.leftMl)} ml
                    </>
                  )}
                </span>
                <span className="text-right text-soft max-sm:hidden">
                  {off.has(m.id) ? offFigure(off.get(m.id)!) : m.usedIn > 0 ? `used ${m.usedIn}×` : ""}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
