import { length } from "../../api/units";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { DustRequest } from "../../api/types";
import { choices, dustFromWord, familyFacts } from "../../api/words";
import { zoneOptions } from "../../craft/zoneOptions";
import { Button, Choice, Field, notify, Toggle } from "../../ui";

/** Dust of the base's two dry-brush colours up the legs, wheels and walls that stand on it: as coats of their zone. */
export function DustUp() {
  const zones = useQuery(queries.zones());
  const materials = useQuery(queries.materials());
  const [wish, setWish] = useState<DustRequest>({
    zoneId: "",
    schemeVersion: 0,
    from: "drySand",
    firstId: "",
    secondId: "",
    drives: false,
    dryRun: true,
  });
  const [fault, setFault] = useState<string>();
  const look = useQuery(queries.dust(wish));
  const set = (part: Partial<DustRequest>) => setWish({ ...wish, ...part });
  const paints = (materials.data ?? [])
    .filter((m) => !familyFacts(m.material.family).clear)
    .map((m) => ({ value: m.id, label: m.material.name }));
  async function put() {
    if (!look.data) return;
    setFault(undefined);
    try {
      await ask(
        api.POST("/api/base-dust", { body: { ...wish, schemeVersion: look.data.schemeVersion, dryRun: false } }),
      );
      notify(`${look.data.scheme} has the dust now. Its History has a way back.`);
    } catch (error) {
      setFault(wording(error));
    }
    await changed("stack");
  }
  return (
    <div className="mt-4 border-t border-line pt-3 text-sm">
      <h3 className="font-semibold">Dust up what stands on them</h3>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <Field label="Zone of the figure, vehicle or wall">
          {(id) => (
            <Choice
              id={id}
              label="Zone of the figure, vehicle or wall"
              value={wish.zoneId}
              options={zoneOptions(zones.data)}
              onChange={(zoneId) => set({ zoneId })}
            />
          )}
        </Field>
        <Field label="The ground">
          {(id) => (
            <Choice
              id={id}
              label="The ground"
              value={wish.from}
              options={choices(dustFromWord)}
              onChange={(from) => set({ from })}
            />
          )}
        </Field>
        <Field label="Dry-brush colour of the bases">
          {(id) => (
            <Choice
              id={id}
              label="Dry-brush colour of the bases"
              value={wish.firstId}
              options={paints}
              onChange={(firstId) => set({ firstId })}
            />
          )}
        </Field>
        <Field label="The lighter one">
          {(id) => (
            <Choice
              id={id}
              label="The lighter one"
              value={wish.secondId}
              options={paints}
              onChange={(secondId) => set({ secondId })}
            />
          )}
        </Field>
      </div>
      <div className="mt-2 flex items-center gap-3">
        <Toggle label="It drives" checked={wish.drives ?? false} onChange={(drives) => set({ drives })} />
        <span className="min-w-0 flex-1 text-soft" role="status" data-testid="dust">
          {look.data &&
            `The first to ${length(look.data.firstMm)}, the lighter to ${length(look.data.secondMm)} above the foot; scheme ${look.data.scheme}${look.data.zones > 1 ? `, which ${look.data.zones} zones share` : ""}.`}
        </span>
        <Button disabled={!look.data || !wish.zoneId} onClick={() => void put()}>
          Put the dust there
        </Button>
      </div>
      {fault && (
        <p role="alert" className="mt-1 font-semibold text-stop">
          {fault}
        </p>
      )}
    </div>
  );
}
