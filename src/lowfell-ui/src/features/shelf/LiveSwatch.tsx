import type { Swatch } from "../../api/types";

/** One, two and three passes over a black and over a white card, and the paint itself. */
export function LiveSwatch({ swatch, clear }: { swatch: Swatch | undefined; clear: boolean }) {
  const card = (label: string, ground: string, colours: string[]) => (
    <div className="flex-1">
      <div
        className="flex h-16 items-center gap-1.5 rounded-sm px-2"
        style={{ background: ground }}
        data-testid={colours.length > 0 ? label : undefined}
      >
        {colours.map((c, i) => (
          <span
            key={i}
            className="h-10 flex-1"
            style={{ background: c }}
            title={`${i + 1} ${i === 0 ? "pass" : "passes"}: ${c}`}
          />
        ))}
      </div>
      <p className="mt-1 text-center text-xs text-ink">{label}, 1 to 3 passes</p>
    </div>
  );
  return (
    <div className="flex gap-3 rounded bg-swatch p-3">
      {card("Over black", "#161616", swatch?.overBlack ?? [])}
      {card("Over white", "#f2f2f0", swatch?.overWhite ?? [])}
      {!clear && (
        <div className="w-16">
          <div className="h-16 rounded-sm" style={{ background: swatch?.masstone }} title={swatch?.masstone} />
          <p className="mt-1 text-center text-xs text-ink">hiding</p>
        </div>
      )}
    </div>
  );
}
