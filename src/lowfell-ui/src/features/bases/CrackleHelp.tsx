import { length, thin } from "../../api/units";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { bounds } from "../../api/bounds";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { CrackleQuestion, CrackleTile } from "../../api/types";
import { choices, crackleGroundWord, duration, number } from "../../api/words";
import { Button, Choice, Field, NumberInput, Toggle } from "../../ui";

interface Props {
  mm: number;
  /** What a tile of one's own showed. */
  tile: CrackleTile | null;
  /** Scale that it is told for to begin with. */
  scale?: number;
  onTake: (mm: number) => void;
  onTile: (tile: CrackleTile | null) => void;
}

const tileFields = [
  ["thinMm", "Thin field", "mm"],
  ["thinCells", "plates on 20 mm", ""],
  ["thickMm", "Thick field", "mm"],
  ["thickCells", "plates on 20 mm", ""],
  ["crackMm", "a crack of it", "mm"],
] as const;

/** What a thickness of crackle paste gives, and which thickness gives the cracks that are wanted. */
export function CrackleHelp({ mm, tile, scale: first = 56, onTake, onTile }: Props) {
  const [ground, setGround] = useState<CrackleQuestion["ground"]>("primed");
  const [width, setWidth] = useState<number | null>(null);
  const least = bounds.CrackleQuestion.mm.min;
  const scale = bounds.CrackleQuestion.scale;
  const [of, setOf] = useState(first);
  const look = useQuery(queries.crackle({ ground, mm: Math.max(least, mm), widthMm: width, scale: of, tile }));
  return (
    <div className="mt-2 rounded border border-line p-2">
      <div className="grid grid-cols-[1fr_6rem_5rem] items-end gap-2">
        {tile ? (
          <p className="pb-1 text-soft">On a ground as the tile had.</p>
        ) : (
          <Field label="Crackle lies on">
            {(id) => (
              <Choice
                id={id}
                label="Crackle lies on"
                value={ground}
                options={choices(crackleGroundWord)}
                onChange={setGround}
              />
            )}
          </Field>
        )}
        <Field label="Cracks wanted">
          {(id) => (
            <NumberInput
              id={id}
              value={width}
              bound={bounds.CrackleQuestion.widthMm}
              unit="mm"
              onChange={setWidth}
              onEmpty={() => setWidth(null)}
            />
          )}
        </Field>
        <Field label="Scale 1:">{(id) => <NumberInput id={id} value={of} bound={scale} onChange={setOf} />}</Field>
      </div>
      <div className="mt-2">
        <Toggle
          label="By a tile of my own paste, dry"
          checked={tile !== null}
          onChange={(on) => onTile(on ? (look.data?.tile ?? null) : null)}
        />
      </div>
      {tile && (
        <div className="mt-1 grid grid-cols-5 items-end gap-2" data-testid="tile">
          {tileFields.map(([key, label, unit]) => (
            <Field key={key} label={label}>
              {(id) => (
                <NumberInput
                  id={id}
                  value={tile[key]}
                  bound={bounds.CrackleTileDraft[key]}
                  unit={unit || undefined}
                  onChange={(v) => onTile({ ...tile, [key]: v })}
                />
              )}
            </Field>
          ))}
        </div>
      )}
      {look.error && (
        <p role="alert" className="mt-2 font-semibold text-stop">
          {wording(look.error)}
        </p>
      )}
      {look.data && (
        <p className="mt-2 flex flex-wrap items-center gap-x-2" role="status" data-testid="crackle">
          <span>
            {thin(look.data.mm)} laid: {look.data.verdict}
            {look.data.spacingMm > 0 &&
              ` Plates ${length(look.data.spacingMm)}, cracks ${thin(look.data.widthMm)}, told from ${number(look.data.seenFromM, 1)} m.`}{" "}
            Dry after {duration(look.data.dryMin)} in your room.
          </span>
          {width !== null && Math.abs(look.data.mm - mm) > 0.005 && (
            <Button onClick={() => onTake(look.data.mm)}>Lay {thin(look.data.mm)}</Button>
          )}
        </p>
      )}
    </div>
  );
}
