import { bounds } from "../../api/bounds";
import type { Coat } from "../../api/types";
import { number } from "../../api/words";
import { Button, NumberInput } from "../../ui";

interface Props {
  coat: Coat;
  onChange: (field: string, part: Partial<Coat>) => void;
  onClear: () => void;
}

const heights = ["recess", "face", "edge"] as const;

/** Lighter or heavier than the table, or a deposit of one's own. */
export function OwnHand({ coat, onChange, onClear }: Props) {
  const own = coat.hand !== 1 || Boolean(coat.deposit);
  const set = (table: "wetFilmUm" | "coverage", index: number, value: number) => {
    const deposit = coat.deposit ?? { wetFilmUm: [40, 40, 40], coverage: [1, 1, 1] };
    onChange("deposit", {
      deposit: { ...deposit, [table]: deposit[table].map((v, i) => (i === index ? value : v)) },
    });
  };
  return (
    <details className="border-t border-line pt-3 text-sm" open={own || undefined}>
      <summary className="cursor-pointer font-semibold">
        Own hand
        {own && (
          <span className="font-normal text-soft">
            : {coat.deposit ? "own deposit" : `${number(coat.hand * 100, 0)} % of the usual film`}
          </span>
        )}
      </summary>
      <label className="mt-2 flex items-center gap-3">
        <span className="text-soft">lighter</span>
        <input
          type="range"
          aria-label="Hand, lighter to heavier"
          {...bounds.CoatDraft.hand}
          step={0.05}
          value={coat.hand}
          className="flex-1 accent-accent"
          onChange={(e) => onChange("hand", { hand: Number(e.target.value) })}
        />
        <span className="text-soft">heavier</span>
      </label>
      <div className="mt-2 grid grid-cols-[5rem_repeat(3,1fr)] items-center gap-1.5">
        <span />
        {heights.map((h) => (
          <span key={h} className="text-center text-xs text-soft">
            {h}
          </span>
        ))}
        <span className="text-xs text-soft">wet film µm</span>
        {heights.map((h, i) => (
          <NumberInput
            key={h}
            label={`Wet film on the ${h}, um`}
            value={coat.deposit?.wetFilmUm[i] ?? null}
            bound={bounds.DepositDraft.wetFilmUm}
            onChange={(v) => set("wetFilmUm", i, v)}
            onEmpty={() => {}}
          />
        ))}
        <span className="text-xs text-soft">coverage</span>
        {heights.map((h, i) => (
          <NumberInput
            key={h}
            label={`Coverage of the ${h}, 0 to 1`}
            value={coat.deposit?.coverage[i] ?? null}
            bound={bounds.DepositDraft.coverage}
            onChange={(v) => set("coverage", i, v)}
            onEmpty={() => {}}
          />
        ))}
      </div>
      {coat.deposit && (
        <Button className="mt-2" onClick={onClear}>
          Back to the technique’s deposit
        </Button>
      )}
    </details>
  );
}
