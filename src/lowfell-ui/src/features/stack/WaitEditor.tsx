import { bounds } from "../../api/bounds";
import type { Coat, Stratum, ZoneDraft } from "../../api/types";
import { choices, duration, leastWaitWord } from "../../api/words";
import { Choice, NumberInput, Toggle } from "../../ui";
import { drying } from "./drying";
import { hurries, waitLine, withWait } from "./waits";

interface Props {
  coat: Coat;
  first: boolean;
  stratum: Stratum | undefined;
  air: ZoneDraft["air"];
  onChange: (field: string, change: (coat: Coat) => Coat) => void;
}

/** What the coat waits for before it goes on, and how long it then dries: the painter may wait longer, or shorter at a price. */
export function WaitEditor({ coat, first, stratum, air, onChange }: Props) {
  const line = waitLine(stratum?.wait);
  return (
    <fieldset className="flex flex-col gap-1.5 border-t border-line pt-3">
      <legend className="sr-only">Waits</legend>
      {!first && (
        <>
          <p className="text-sm" data-testid="wait">
            <span className="text-soft">Waits </span>
            {line ?? "for nothing"}
            {hurries(stratum?.wait) && (
              <span className="block font-semibold text-risk">It wants {duration(stratum!.wait!.needed!)}.</span>
            )}
          </p>
          {!coat.whileWet && (
            <div className="grid grid-cols-2 gap-2">
              <Choice
                label="Waits"
                value={coat.wait}
                options={choices(leastWaitWord)}
                onChange={(wait) => onChange("wait", (c) => ({ ...withWait(c, null), wait }))}
              />
              <NumberInput
                label="Own wait, minutes"
                value={coat.waitMinutes ?? null}
                usual={stratum?.wait ? Math.round(stratum.wait.minutes) : undefined}
                bound={bounds.CoatDraft.waitMinutes}
                unit="min"
                onChange={(minutes) => onChange("waitMinutes", (c) => withWait(c, minutes))}
                onEmpty={() => onChange("waitMinutes", (c) => withWait(c, null))}
              />
            </div>
          )}
          <Toggle
            label="Into wet paint, while the coat below is open"
            checked={coat.whileWet}
            onChange={(whileWet) => onChange("whileWet", (c) => ({ ...withWait(c, null), whileWet }))}
          />
        </>
      )}
      <Toggle
        label="Hurried with warm air"
        hint={stratum && coat.materialId ? drying(stratum, air) : undefined}
        checked={coat.hurried}
        onChange={(hurried) => onChange("hurried", (c) => ({ ...c, hurried }))}
      />
    </fieldset>
  );
}
