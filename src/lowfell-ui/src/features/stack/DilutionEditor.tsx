import { useState } from "react";
import type { Coat, CoatMix, DilutionForm } from "../../api/types";
import { dilutionFormWord, millilitres, number, takesThinner, thinnerWord, choices } from "../../api/words";
import { Choice, Field, NumberInput } from "../../ui";
import { paintFractionOf } from "./stackEdits";

interface Props {
  coat: Coat;
  mix: CoatMix | undefined | null;
  copies: number;
  onChange: (field: string, part: Partial<Coat>) => void;
}

// Ways to say a share of paint above none: in percent of thinner, and in parts.
const ofWhole = { min: 0, max: 99.5, unit: "%" };
const added = { min: 0, max: 20_000, unit: "%" };
const parts = { min: 0.1, max: 1000 };

const forms: DilutionForm[] = ["parts", "thinnerOfWhole", "thinnerAdded"];

/** Painters say it three ways and a mix-up ruins a batch: the one meant is typed, the other two stand beside it. */
export function DilutionEditor({ coat, mix, copies, onChange }: Props) {
  const form = coat.dilutionForm;
  const amount = copies === 1 ? "This piece takes" : copies === 2 ? "Both copies take" : `All ${copies} copies take`;
  if (!takesThinner(coat.technique)) {
    return (
      <p className="text-sm text-soft" data-testid="mix">
        As it comes.{" "}
        {mix && mix.totalMl > 0 && (
          <>
            {amount} <strong className="font-semibold text-ink">{millilitres(mix.totalMl)}</strong>.
          </>
        )}
      </p>
    );
  }
  const set = (a: number, b: number) => {
    const fraction = paintFractionOf(form, a, b);
    if (fraction !== null) onChange("dilution", { paintFraction: Math.round(fraction * 1e6) / 1e6 });
  };
  const word: Record<DilutionForm, string> = mix
    ? {
        parts: `${number(mix.paintParts)} : ${number(mix.thinnerParts)} paint to ${thinnerWord[coat.thinner]}`,
        thinnerOfWhole: `${number(mix.thinnerOfWhole)} % of the whole`,
        thinnerAdded: `${number(mix.thinnerAdded)} % added to the paint`,
      }
    : { parts: "", thinnerOfWhole: "", thinnerAdded: "" };
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 text-xs font-semibold text-soft">Dilution</legend>
      <div className="grid grid-cols-[1fr_1fr] gap-2">
        <Choice
          label="Said as"
          value={form}
          options={forms.map((value) => ({ value, label: dilutionFormWord[value] }))}
          onChange={(dilutionForm) => onChange("form", { dilutionForm })}
        />
        <Choice
          label="Thinner"
          value={coat.thinner}
          options={choices(thinnerWord)}
          onChange={(thinner) => onChange("thinner", { thinner })}
        />
      </div>
      {form === "parts" ? (
        <PartsInput coat={coat} mix={mix} onSet={set} />
      ) : (
        <Field label={form === "thinnerOfWhole" ? "Thinner in the whole" : "Thinner added to the paint"}>
          {(id) => (
            <NumberInput
              id={id}
              value={
                Math.round((form === "thinnerOfWhole" ? 1 - coat.paintFraction : 1 / coat.paintFraction - 1) * 1000) /
                10
              }
              bound={form === "thinnerOfWhole" ? ofWhole : added}
              unit="%"
              onChange={(v) => set(v, 0)}
            />
          )}
        </Field>
      )}
      {mix && (
        <div className="text-sm text-soft" data-testid="mix">
          <p>
            {coat.paintFraction === 1
              ? "Neat, as it comes from the bottle"
              : forms
                  .filter((f) => f !== form)
                  .map((f) => word[f])
                  .join(" = ")}
          </p>
          {mix.thinnerDrops > 0 && (
            <p>
              <strong className="font-semibold text-ink">
                {mix.paintDrops} {mix.paintDrops === 1 ? "drop" : "drops"} + {mix.thinnerDrops} of{" "}
                {thinnerWord[coat.thinner]}
              </strong>{" "}
              truly make {number(mix.truePaintFraction * 100, 0)} % paint
            </p>
          )}
          <p>
            {amount} <strong className="font-semibold text-ink">{millilitres(mix.totalMl)}</strong>
            {mix.thinnerMl > 0 && `: ${number(mix.paintMl)} paint, ${number(mix.thinnerMl)} thinner`}
          </p>
        </div>
      )}
    </fieldset>
  );
}

function PartsInput({
  coat,
  mix,
  onSet,
}: {
  coat: Coat;
  mix: CoatMix | undefined | null;
  onSet: (a: number, b: number) => void;
}) {
  const [typed, setTyped] = useState<[number, number] | null>(null);
  const near = typed && Math.abs(typed[0] / (typed[0] + typed[1]) - coat.paintFraction) < 1e-4;
  const [paint, thinner] = near
    ? typed
    : [mix?.paintParts ?? 1, mix?.thinnerParts ?? Math.round((1 / coat.paintFraction - 1) * 10) / 10];
  const set = (a: number, b: number) => {
    setTyped([a, b]);
    onSet(a, b);
  };
  return (
    <div className="flex items-center gap-2 text-sm">
      <NumberInput
        label="Parts of paint"
        value={paint}
        bound={parts}
        onChange={(v) => set(v, thinner)}
        className="w-20"
      />
      paint :
      <NumberInput
        label="Parts of thinner"
        value={thinner}
        bound={{ ...parts, min: 0 }}
        onChange={(v) => set(paint, v)}
        className="w-20"
      />
      thinner
    </div>
  );
}
