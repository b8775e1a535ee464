import { Download, Dices, Printer, Undo2 } from "lucide-react";
import { type RefObject, useEffect, useRef, useState } from "react";
import type { Tray } from "../../api/types";
import { useChosen } from "../../craft/useChosen";
import { Button, IconButton, Menu } from "../../ui";
import { BasePanel } from "./BasePanel";
import { KitDialog } from "./KitDialog";
import { StepsDialog } from "./StepsDialog";
import { StockPanel } from "./StockPanel";
import { TrayPanel } from "./TrayPanel";
import { TrayTable } from "./TrayTable";
import { useTray } from "./useTray";

// The tray fills its place: points a millimetre at least and at most, and what stands at its sides.
const leastPx = 1.6;
const mostPx = 4.5;
const sidePx = 8;
const aroundPx = 8;
const betweenPx = 38;

/** The tray: all bases from above, one of them large, and what it comes to. */
export function TrayScreen({ tray, copies }: { tray: Tray; copies: number }) {
  const hands = useTray(tray);
  const [shown, setShown] = useChosen("base");
  const [pair, setPair] = useState<[number, number]>();
  const [kit, setKit] = useState(false);
  const [steps, setSteps] = useState(false);
  const chosen = tray.bases.find((b) => String(b.copy) === shown);
  const laid = tray.bases.some((b) => b.elements.length > 0);
  const open = tray.bases.filter((b) => !b.kept.locked && !b.laid).length;
  const rolling = hands.rolling;
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box);
  const pxPerMm = Math.max(leastPx, Math.min(mostPx, fitting(tray, width)));
  return (
    <div
      className={`grid min-w-0 gap-3 ${chosen ? "lg:grid-cols-[minmax(0,1fr)_32rem]" : "lg:grid-cols-[minmax(0,1fr)_22rem]"}`}
    >
      <section aria-label="Tray" className="min-w-0 rounded-lg border border-line bg-panel">
        <div className="flex flex-wrap items-center gap-2 border-b border-line p-2 print:hidden">
          <Button
            look="main"
            disabled={hands.busy || Boolean(rolling) || open === 0}
            onClick={() => void hands.rollAnew({})}
          >
            <Dices size={15} aria-hidden /> {laid ? "Roll what is open" : "Roll the tray"}
          </Button>
          {rolling ? (
            <span role="status" className="flex items-center gap-2 text-sm">
              <progress
                max={Math.max(1, rolling.of)}
                value={rolling.done}
                className="w-32"
                aria-label="Layouts grown"
              />
              {rolling.done} of {rolling.of} layouts
              <Button onClick={() => void hands.endRoll()}>End</Button>
            </span>
          ) : (
            open < tray.bases.length && (
              <span className="text-sm text-soft">
                {open} of {tray.bases.length} open
              </span>
            )
          )}
          <span className="ml-auto">
            <IconButton label="Undo" disabled={!hands.canUndo || hands.busy} onClick={() => void hands.undo()}>
              <Undo2 size={16} aria-hidden />
            </IconButton>
          </span>
          <Button onClick={() => setSteps(true)}>As coats</Button>
          <Button onClick={() => setKit(true)}>Boxes and families</Button>
          <Menu
            label="Sheets and files"
            icon={<Download size={16} aria-hidden />}
            items={[
              { label: "What stands where (CSV)", onSelect: () => open_(`/api/trays/${tray.id}/placement.csv`) },
              { label: "Picture of the tray (PNG)", onSelect: () => open_(`/api/trays/${tray.id}/tray.png?px=8`) },
              { label: "All of it (JSON)", onSelect: () => open_(`/api/trays/${tray.id}/tray.json`) },
            ]}
          />
          <Button onClick={() => open_(`/api/trays/${tray.id}/sheet.svg`)}>
            <Printer size={15} aria-hidden /> Sheet
          </Button>
        </div>
        {copies !== tray.bases.length && (
          <p role="status" className="border-b border-line p-2 text-sm font-semibold text-risk">
            The piece has {copies} copies, its tray {tray.bases.length} bases.{" "}
            <button
              type="button"
              className="underline"
              onClick={() =>
                void hands.keep((now) =>
                  copies < now.length
                    ? now.slice(0, copies)
                    : [
                        ...now,
                        ...Array.from({ length: copies - now.length }, (_, i) => ({
                          ...now.at(-1)!,
                          seed: i + 1,
                          locked: false,
                          elements: [],
                        })),
                      ],
                )
              }
            >
              {copies < tray.bases.length ? "Take the last ones off the tray" : "Add empty ones like the last"}
            </button>
          </p>
        )}
        <div ref={box} className="overflow-x-auto p-2">
          <TrayTable
            tray={tray}
            pxPerMm={pxPerMm}
            chosen={chosen?.copy}
            onChoose={(copy) => {
              setPair(undefined);
              setShown(String(copy) === shown ? null : String(copy));
            }}
            onPair={(a, b) => setPair([a, b])}
          />
        </div>
      </section>
      <div className="flex min-w-0 flex-col gap-3">
        {chosen ? (
          <BasePanel
            key={chosen.copy}
            tray={tray}
            base={chosen}
            hands={hands}
            onChoose={(c) => setShown(String(c))}
            onClose={() => setShown(null)}
          />
        ) : (
          <TrayPanel tray={tray} hands={hands} pair={pair} onPair={setPair} onChoose={(c) => setShown(String(c))} />
        )}
        <StockPanel tray={tray} onEdit={() => setKit(true)} />
      </div>
      {steps && <StepsDialog tray={tray} onClose={() => setSteps(false)} />}
      {kit && <KitDialog tray={tray} hands={hands} onClose={() => setKit(false)} />}
    </div>
  );
}

const open_ = (address: string) => void window.open(address, "_blank", "noopener");

/** Points a millimetre at which every row fits into a width. */
const fitting = (tray: Tray, width: number) =>
  Math.min(
    ...tray.rows.map((row) => {
      const mm = row.reduce((sum, copy) => sum + tray.bases[copy - 1]!.kept.form.lengthMm, 0);
      return (width - sidePx - row.length * aroundPx - (row.length - 1) * betweenPx) / mm;
    }),
  );

function useWidth(box: RefObject<HTMLElement | null>): number {
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const seen = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    if (box.current) seen.observe(box.current);
    return () => seen.disconnect();
  }, [box]);
  return width;
}
