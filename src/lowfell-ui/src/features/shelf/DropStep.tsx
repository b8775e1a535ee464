import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import { changed, scaleLoaded } from "../../api/changes";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { Material } from "../../api/types";
import { number } from "../../api/words";
import { Button, Field, NumberInput, notify } from "../../ui";

/** How large this bottle's drops are: counted into a measure, or weighed on the bench scale. */
export function DropStep({ material }: { material: Material }) {
  const [drops, setDrops] = useState(20);
  const [ml, setMl] = useState<number | null>(1);
  const [grams, setGrams] = useState<number | null>(null);
  const [weighing, setWeighing] = useState(false);
  const [fault, setFault] = useState<string>();
  const scale = useQuery(queries.scale(weighing));
  async function solve() {
    try {
      const found = await ask(
        api.POST("/api/materials/{id}/calibration", {
          params: { path: { id: material.id } },
          body: grams !== null ? { drops, grams } : { drops, ml: ml ?? 1 },
        }),
      );
      await ask(
        api.PUT("/api/materials/{id}", {
          params: { path: { id: material.id } },
          body: { version: material.version, material: { ...material.material, dropsPerMl: found.dropsPerMl } },
        }),
      );
      await changed("shelf");
      setFault(undefined);
      setWeighing(false);
      notify(`${number(found.dropsPerMl)} drops of ${material.material.name} make a millilitre.`, () => void back());
    } catch (error) {
      setFault(wording(error));
    }
  }
  // What was in force before, whatever else was changed on the material since.
  async function back() {
    try {
      const now = (await ask(api.GET("/api/materials"))).find((m) => m.id === material.id);
      if (now)
        await ask(
          api.PUT("/api/materials/{id}", {
            params: { path: { id: now.id } },
            body: { version: now.version, material: { ...now.material, dropsPerMl: material.material.dropsPerMl } },
          }),
        );
    } catch (error) {
      notify(wording(error));
    }
    await changed("shelf");
  }
  // What the scale showed before is no reading of these drops: it is looked at once they are on it.
  async function drip() {
    setWeighing(false);
    try {
      await ask(api.POST("/api/devices/scale", { body: { materialId: material.id, drops } }));
      scaleLoaded();
      setWeighing(true);
    } catch (error) {
      setFault(wording(error));
    }
  }
  return (
    <fieldset className="rounded border border-line p-3">
      <legend className="px-1 font-semibold">Drop size</legend>
      <p className="mb-2 text-soft">
        {number(material.facts.dropsPerMl)} drops to the ml,{" "}
        {material.material.dropsPerMl
          ? "measured on this bottle."
          : "usual for its family. Tips differ: measure yours."}
      </p>
      <div className="grid grid-cols-3 gap-2">
        <Field label="Drops counted">
          {(id) => (
            <NumberInput
              id={id}
              value={drops}
              bound={bounds.DropCalibration.drops}
              onChange={(v) => setDrops(Math.round(v))}
            />
          )}
        </Field>
        <Field label="came to, ml">
          {(id) => (
            <NumberInput
              id={id}
              value={ml}
              bound={bounds.DropCalibration.ml}
              onChange={(v) => {
                setMl(v);
                setGrams(null);
              }}
            />
          )}
        </Field>
        <Field label="or weigh, g">
          {(id) => (
            <NumberInput
              id={id}
              value={grams}
              bound={bounds.DropCalibration.grams}
              onChange={(v) => {
                setGrams(v);
                setMl(null);
              }}
              onEmpty={() => setGrams(null)}
            />
          )}
        </Field>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button onClick={() => void drip()}>Drip {drops} on the scale</Button>
        {weighing && scale.data && (
          <>
            <output className="font-semibold" data-testid="scale">
              {scale.data.grams.toFixed(2)} g{scale.data.steady ? "" : " …"}
            </output>
            <Button
              disabled={!scale.data.steady || scale.data.grams <= 0}
              onClick={() => {
                setGrams(scale.data!.grams);
                setMl(null);
              }}
            >
              Take it
            </Button>
            <span className="text-xs text-soft">a simulated scale</span>
          </>
        )}
        <Button look="main" className="ml-auto" onClick={() => void solve()} disabled={ml === null && grams === null}>
          Keep the drop size
        </Button>
      </div>
      {fault && (
        <p role="alert" className="mt-2 font-semibold text-stop">
          {fault}
        </p>
      )}
    </fieldset>
  );
}
