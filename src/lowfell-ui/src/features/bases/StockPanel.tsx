import type { Tray } from "../../api/types";
import { Button } from "../../ui";

/** Boxes of stones, slates and tufts: used, left, lacking. */
export function StockPanel({ tray, onEdit }: { tray: Tray; onEdit: () => void }) {
  const boxes = tray.boxes.filter((b) => b.used > 0 || b.count > 0);
  const most = Math.max(1, ...boxes.map((b) => Math.max(b.count, b.used)));
  return (
    <section aria-label="Stock" className="rounded-lg border border-line bg-panel p-3 text-sm">
      <div className="flex items-center gap-2">
        <h2 className="text-base font-semibold">In the boxes</h2>
        <Button look="quiet" className="ml-auto" onClick={onEdit}>
          Change
        </Button>
      </div>
      {boxes.length === 0 && (
        <p className="text-soft">Nothing is in them. Put stones, slates and tufts on the shelf, by count.</p>
      )}
      <ul>
        {boxes.map((b) => (
          <li key={b.boxId} className="grid grid-cols-[6.5rem_1fr_5.5rem] items-center gap-2 py-0.5">
            <span className="truncate" title={b.name}>
              {b.name}
            </span>
            <span
              aria-hidden
              className="flex h-2.5 overflow-hidden rounded-sm bg-ground"
              style={{ width: `${Math.max(6, Math.sqrt(Math.max(b.count, b.used) / most) * 100)}%` }}
            >
              <span
                className="bg-accent"
                style={{ width: `${(100 * (b.used - b.short)) / Math.max(b.count, b.used, 1)}%` }}
              />
              {b.short > 0 && (
                <span
                  style={{
                    width: `${(100 * b.short) / Math.max(b.count, b.used, 1)}%`,
                    background: "repeating-linear-gradient(45deg, var(--risk) 0 2px, transparent 2px 4px)",
                  }}
                />
              )}
            </span>
            <span
              className={`text-right text-xs tabular-nums ${b.short > 0 ? "font-semibold text-risk" : "text-soft"}`}
            >
              {b.short > 0 ? `${b.short} short` : `${b.used} of ${b.count}`}
            </span>
          </li>
        ))}
      </ul>
      {tray.lacking.length > 0 && (
        <ul className="mt-2 border-t border-line pt-2 text-xs text-soft" data-testid="lacking">
          {tray.lacking.map((line) => (
            <li key={line} className="py-0.5">
              {line}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
