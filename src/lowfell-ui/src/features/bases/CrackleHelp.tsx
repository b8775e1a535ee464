import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import type { CrackleQuestion } from "../../api/types";
import { choices, crackleGroundWord, duration, number } from "../../api/words";
import { Button, Choice, Field, NumberInput } from "../../ui";

/** What a thickness of crackle paste gives, and which thickness gives the cracks that are wanted. */
export function CrackleHelp({ mm, onTake }: { mm: number; onTake: (mm: number) => void }) {
  const [ground, setGround] = useState<CrackleQuestion["ground"]>("primed");
  const [width, setWidth] = useState<number | null>(null);
  const least = bounds.CrackleQuestion.mm.min;
  const scale = bounds.CrackleQuestion.scale;
  const [of, setOf] = useState(56);
  const look = useQuery(queries.crackle({ ground, mm: Math.max(least, mm), widthMm: width, scale: of }));
  return (
    <div className="mt-2 rounded border border-line p-2">
      <div className="grid grid-cols-[1fr_6rem_5rem] items-end gap-2">
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
      {look.data && (
        <p className="mt-2 flex flex-wrap items-center gap-x-2" role="status" data-testid="crackle">
          <span>
            {number(look.data.mm, 2)} mm laid: {look.data.verdict}
            {look.data.spacingMm > 0 &&
              ` Plates ${number(look.data.spacingMm, 1)} mm, cracks ${number(look.data.widthMm, 2)} mm, told from ${number(look.data.seenFromM, 1)} m.`}{" "}
            Dry after {duration(look.data.dryMin)} in your room.
          </span>
          {width !== null && Math.abs(look.data.mm - mm) > 0.005 && (
            <Button onClick={() => onTake(look.data.mm)}>Lay {number(look.data.mm, 2)} mm</Button>
          )}
        </p>
      )}
    </div>
  );
}
