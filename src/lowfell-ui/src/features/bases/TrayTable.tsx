import { Lock } from "lucide-react";
import type { Tray, TrayBase } from "../../api/types";
import { number } from "../../api/words";
import { BasePicture } from "./BasePicture";

type Difference = Tray["differences"][number];

const judgedWord = { nearCopy: "near copies", alike: "alike", different: "differ" } as const;
const judgedLook = {
  nearCopy: "border-2 border-stop text-stop font-semibold",
  alike: "border-2 border-dashed border-risk text-risk",
  different: "border border-line text-soft",
} as const;

interface Props {
  tray: Tray;
  pxPerMm: number;
  chosen: number | undefined;
  onChoose: (copy: number) => void;
  onPair: (a: number, b: number) => void;
}

/** The whole tray from above, in rows as the bases stand; between neighbours how much they differ. */
export function TrayTable({ tray, pxPerMm, chosen, onChoose, onPair }: Props) {
  const between = (a: number, b: number) => tray.differences.find((d) => d.a === a && d.b === b);
  return (
    <div className="flex flex-col gap-3" data-testid="tray">
      {tray.rows.map((row) => (
        <div key={row[0]} className="flex flex-wrap items-center gap-y-2" style={{ contentVisibility: "auto" }}>
          {row.map((copy, i) => {
            const pair = i > 0 ? between(row[i - 1]!, copy) : undefined;
            return (
              <div key={copy} className="flex items-center">
                {pair && <Between pair={pair} onPair={onPair} />}
                <BaseOnTray
                  tray={tray}
                  base={tray.bases[copy - 1]!}
                  pxPerMm={pxPerMm}
                  chosen={copy === chosen}
                  onChoose={onChoose}
                />
              </div>
            );
          })}
        </div>
      ))}
    </div>
  );
}

function Between({ pair, onPair }: { pair: Difference; onPair: (a: number, b: number) => void }) {
  return (
    <button
      type="button"
      title={`${pair.a} and ${pair.b} ${judgedWord[pair.judged]}: ${number(pair.distance, 2)} of 1, turned and mirrored; ${number(pair.asTheyStand, 2)} as they stand`}
      aria-label={`Bases ${pair.a} and ${pair.b}: difference ${number(pair.distance, 2)}, ${judgedWord[pair.judged]}`}
      onClick={() => onPair(pair.a, pair.b)}
      className={`mx-0.5 rounded px-1 text-[11px] leading-4 tabular-nums hover:bg-tint ${judgedLook[pair.judged]}`}
    >
      {number(pair.distance, 2)}
    </button>
  );
}

interface OneProps {
  tray: Tray;
  base: TrayBase;
  pxPerMm: number;
  chosen: boolean;
  onChoose: (copy: number) => void;
}

function BaseOnTray({ tray, base, pxPerMm, chosen, onChoose }: OneProps) {
  const marks = base.marks.length + base.elements.filter((e) => e.fault).length;
  return (
    <button
      type="button"
      aria-pressed={chosen}
      aria-label={`Base ${base.copy}, ${base.word}`}
      onClick={() => onChoose(base.copy)}
      className={`rounded-lg p-1 text-center text-xs ${chosen ? "bg-tint inset-ring-2 inset-ring-accent" : "hover:bg-raised"}`}
    >
      <BasePicture trayId={tray.id} base={base} width={Math.round(base.kept.form.lengthMm * pxPerMm)} />
      <span className="flex items-center justify-center gap-1 pt-0.5 leading-4">
        <span className="font-semibold">{base.copy}</span>
        {(base.kept.locked || base.laid) && (
          <Lock size={11} aria-label={base.laid ? "glued down" : "locked"} className="text-soft" />
        )}
        {marks > 0 && (
          <span className="font-semibold text-risk" title={base.marks.join("; ")}>
            ! {marks}
          </span>
        )}
      </span>
    </button>
  );
}
