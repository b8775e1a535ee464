import { bounds } from "../../api/bounds";
import type { MaterialDraft, Swatch } from "../../api/types";
import { bearsWord, choices, duration, number, thinnerWord } from "../../api/words";
import { Button, Choice, NumberInput } from "../../ui";

type Resistance = Swatch["facts"]["resistance"];

const carriers: { key: keyof Resistance; word: string }[] = [
  { key: "water", word: "water" },
  { key: "alcohol", word: "alcohol" },
  { key: "whiteSpirit", word: "white spirit" },
  { key: "lacquerThinner", word: "lacquer thinner, cans" },
];
const ways = [
  { key: "mist", word: "as a mist" },
  { key: "laid", word: "laid on" },
  { key: "scrubbed", word: "scrubbed" },
] as const;

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
  const setResistance = (carrier: keyof Resistance, part: Partial<Resistance["water"]>) =>
    onChange((d) => ({
      ...d,
      resistance: { ...facts.resistance, [carrier]: { ...facts.resistance[carrier], ...part } },
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
            ["Touch-dry, min", "touchMin"],
            ["Recoat-dry, min", "recoatMin"],
            ["Cured, h", "curedH"],
            ["at wet film, µm", "referenceWetFilmUm"],
            ["Film exponent", "exponent"],
          ] as const
        ).map(([label, key]) => (
          <label key={key} className="text-xs text-soft">
            {label}
            <NumberInput value={drying[key]} bound={bounds.DryingView[key]} onChange={(v) => setDrying({ [key]: v })} />
          </label>
        ))}
        <label className="text-xs text-soft">
          Warm air factor
          <NumberInput
            value={drying.warmAirFactor ?? null}
            bound={bounds.DryingView.warmAirFactor}
            onChange={(warmAirFactor) => setDrying({ warmAirFactor })}
            onEmpty={() => setDrying({ warmAirFactor: undefined })}
          />
        </label>
      </div>
      <table className="mt-3 w-full text-xs text-soft">
        <caption className="mb-1 text-left">What its dry film bears</caption>
        <thead>
          <tr>
            <th />
            {ways.map((w) => (
              <th key={w.key} className="pb-1 text-left font-normal">
                {w.word}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {carriers.map((c) => (
            <tr key={c.key}>
              <th className="pr-2 text-left font-normal">{c.word}</th>
              {ways.map((w) => (
                <td key={w.key} className="p-0.5">
                  <Choice
                    label={`Bears ${c.word} ${w.word}`}
                    value={facts.resistance[c.key][w.key]}
                    options={choices(bearsWord)}
                    onChange={(value) => setResistance(c.key, { [w.key]: value })}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {(draft.drying || draft.resistance) && (
        <Button className="mt-2" onClick={() => onChange(({ drying: _d, resistance: _r, ...d }) => d)}>
          Back to the family’s figures
        </Button>
      )}
    </details>
  );
}
