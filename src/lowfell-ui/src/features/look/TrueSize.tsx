import { useState } from "react";
import { number } from "../../api/words";
import { Button, Field, NumberInput } from "../../ui";

const key = "lowfell.screenPxPerMm";
const inchMm = 25.4;
const usualPxPerInch = 96;
const lineMm = 50;

/** Points of the page for a millimetre on this screen: measured, else as pages usually have it. */
export function screenPxPerMm(): number {
  const kept = Number(localStorage.getItem(key));
  return kept > 0.5 && kept < 40 ? kept : usualPxPerInch / inchMm;
}

/** How large the piece is shown beside its true size; the screen is measured by a ruler once. */
export function TrueSize({ pxPerMm, distance }: { pxPerMm: number; distance: number }) {
  const [screen, setScreen] = useState(screenPxPerMm);
  const [measuring, setMeasuring] = useState(false);
  const [read, setRead] = useState(lineMm);
  const times = pxPerMm / screen;
  return (
    <div className="text-soft" data-testid="true-size">
      {pxPerMm > 0 && (
        <p>
          Shown {number(times, times < 10 ? 1 : 0)} times as large as it is
          {distance > 0 && `; blurred as an eye sees it from ${number(distance / 1000, 1)} m, held that much nearer`}.
        </p>
      )}
      {measuring ? (
        <div className="mt-1">
          <span aria-hidden className="block h-2 border-x border-b border-ink" style={{ width: lineMm * screen }} />
          <div className="mt-1 flex items-end gap-2">
            <Field label="By a ruler this line is" className="flex-1">
              {(id) => (
                <NumberInput
                  id={id}
                  value={read}
                  bound={{ min: 10, max: 200, unit: "mm" }}
                  unit="mm"
                  onChange={setRead}
                />
              )}
            </Field>
            <Button
              onClick={() => {
                const measured = (lineMm * screen) / read;
                localStorage.setItem(key, String(measured));
                setScreen(measured);
                setMeasuring(false);
                setRead(lineMm);
              }}
            >
              Keep
            </Button>
          </div>
        </div>
      ) : (
        <Button look="quiet" onClick={() => setMeasuring(true)}>
          Measure this screen
        </Button>
      )}
    </div>
  );
}
