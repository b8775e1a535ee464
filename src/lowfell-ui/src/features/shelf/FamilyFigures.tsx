import type { MaterialDraft, Swatch } from "../../api/types";
import { duration, number, thinnerWord } from "../../api/words";
import { Button, NumberInput } from "../../ui";

const carriers = ["water", "alcohol", "white spirit", "lacquer"];

interface Props {
  draft: MaterialDraft;
  facts: Swatch["facts"];
  onChange: (change: (draft: MaterialDraft) => MaterialDraft) => void;
}

/** What follows from the family, and the rows that a painter may override. */
export function FamilyFigures({ draft, facts, onChange }: Props) {
  const drying = facts.drying;
  const setDrying = (part: Partial<NonNullable<MaterialDraft["drying"]>>) =>
    onChange((d) => ({ ...d, drying: { ...drying, ...part } }));
  const setResistance = (index: number, value: number) =>
    onChange((d) => ({
      ...d,
      resistance: facts.resistance.map((v, i) => (i === index ? value : v)),
    }));
  return (
    <details className="border-t border-line pt-2 text-sm" open={draft.drying || draft.resistance ? true : undefined}>
      <summary className="cursor-pointer">
        <span className="font-semibold">Drying and resistance</span>
        <span className="block text-soft">
          Thinned with {facts.thinners.map((t) => thinnerWord[t]).join(" or ")},{" "}
          {number(facts.leastPaintFraction * 100, 0)} % paint at least. Touch-dry after {duration(drying.touchMin)},
          next coat after {duration(drying.recoatMin)}
          {drying.curedH > 0 && `, cured after ${duration(drying.curedH * 60)}`} at{" "}
          {number(drying.referenceWetFilmUm, 0)} µm wet. {drying.warmAirFactor ? "Warm air allowed." : "No warm air."}
        </span>
      </summary>
      <div className="mt-2 grid grid-cols-3 gap-2">
        {(
          [
            ["Touch-dry, min", "touchMin", 0, 10000],
            ["Recoat-dry, min", "recoatMin", 0, 10000],
            ["Cured, h", "curedH", 0, 2000],
            ["at wet film, µm", "referenceWetFilmUm", 1, 5000],
            ["Film exponent", "exponent", 0.5, 3],
          ] as const
        ).map(([label, key, min, max]) => (
          <label key={key} className="text-xs text-soft">
            {label}
            <NumberInput value={drying[key]} min={min} max={max} onChange={(v) => setDrying({ [key]: v })} />
          </label>
        ))}
        <label className="text-xs text-soft">
          Warm air factor
          <NumberInput
            value={drying.warmAirFactor ?? null}
            min={0.05}
            max={1}
            onChange={(warmAirFactor) => setDrying({ warmAirFactor })}
            onEmpty={() => setDrying({ warmAirFactor: undefined })}
          />
        </label>
      </div>
      <p className="mt-3 mb-1 text-xs text-soft">
        Resistance, recoat-dry and cured: 0 dissolves, 1 gives when brushed, 2 holds unless scrubbed, 3 holds
      </p>
      <div className="grid grid-cols-4 gap-2">
        {carriers.map((carrier, c) => (
          <div key={carrier} className="text-xs text-soft">
            {carrier}
            <span className="flex gap-1">
              {[0, 1].map((age) => (
                <NumberInput
                  key={age}
                  label={`Against ${carrier}, ${age === 0 ? "recoat-dry" : "cured"}`}
                  value={facts.resistance[c * 2 + age] ?? 0}
                  min={0}
                  max={3}
                  onChange={(v) => Number.isInteger(v) && setResistance(c * 2 + age, v)}
                />
              ))}
            </span>
          </div>
        ))}
      </div>
      {(draft.drying || draft.resistance) && (
        <Button className="mt-2" onClick={() => onChange(({ drying: _d, resistance: _r, ...d }) => d)}>
          Back to the family’s figures
        </Button>
      )}
    </details>
  );
}
