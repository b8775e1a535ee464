import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { changed, trayKept } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { Tray } from "../../api/types";
import { millilitres } from "../../api/units";
import { familyFacts } from "../../api/words";
import { Button, Choice, Field, notify } from "../../ui";

type Count = "0" | "3" | "4" | "5";

const counts = (["0", "3", "4", "5"] as Count[]).map((value) => ({
  value,
  label: value === "0" ? "one ground" : `${value} grounds`,
}));

/** Related grounds over the tray: mixes of two browns, so that neighbours differ and all belong. */
export function Grounds({ tray }: { tray: Tray }) {
  const materials = useQuery(queries.materials());
  const steps = useQuery({ ...queries.traySteps(tray.id), enabled: Boolean(tray.grounds) });
  const [open, setOpen] = useState(false);
  const [fault, setFault] = useState<string>();
  const { grounds } = tray;
  const [a, setA] = useState(grounds?.aId ?? "");
  const [b, setB] = useState(grounds?.bId ?? "");
  const paints = (materials.data ?? []).filter(
    (m) => !familyFacts(m.material.family).clear && m.material.family === "acrylicPaint",
  );
  async function take(count: Count) {
    setFault(undefined);
    try {
      trayKept(
        await ask(
          api.PUT("/api/trays/{id}/grounds", {
            params: { path: { id: tray.id } },
            body: { version: tray.version, aId: a || null, bId: b || null, count: Number(count) },
          }),
        ),
      );
    } catch (error) {
      setFault(wording(error));
    }
  }
  return (
    <div className="mt-2 border-t border-line pt-2">
      <div className="flex items-center gap-2">
        <span className="mr-auto">{grounds ? `${grounds.mixes.length} related grounds` : "One ground everywhere"}</span>
        <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
          Grounds
        </Button>
      </div>
      {grounds && (
        <ul className="mt-1" data-testid="grounds">
          {grounds.mixes.map((m) => (
            <li key={m.colour} className="flex items-center gap-2 py-0.5">
              <span className="size-5 shrink-0 rounded-sm border-2 border-swatch" style={{ background: m.colour }} />
              <span className="min-w-0 flex-1">
                {m.partsA} : {m.partsB}
                <span className="text-soft">, bases {m.copies.join(", ")}</span>
              </span>
              <span className="text-soft tabular-nums">{millilitres(m.ml)}</span>
            </li>
          ))}
        </ul>
      )}
      {grounds && steps.data?.zoneId && (
        <Button
          className="mt-1"
          onClick={() =>
            void (async () => {
              setFault(undefined);
              try {
                await ask(
                  api.POST("/api/trays/{id}/grounds/stack", {
                    params: { path: { id: tray.id } },
                    body: { zoneId: steps.data.zoneId!, schemeVersion: steps.data.schemeVersion },
                  }),
                );
                notify(
                  `${steps.data.zone} has their coat now; the mixes are on the shelf. Its History has a way back.`,
                );
              } catch (error) {
                setFault(wording(error));
              }
              await changed("stack", "mixes", "tray");
            })()
          }
        >
          Make the mixes and their coat
        </Button>
      )}
      {grounds?.fault && <p className="font-semibold text-risk">{grounds.fault}</p>}
      {open && (
        <div className="mt-2 grid grid-cols-2 gap-2">
          {(
            [
              ["One brown", a, setA],
              ["The other", b, setB],
            ] as const
          ).map(([label, value, set]) => (
            <Field key={label} label={label}>
              {(id) => (
                <Choice
                  id={id}
                  label={label}
                  value={value}
                  options={paints.map((m) => ({ value: m.id, label: m.material.name }))}
                  onChange={set}
                />
              )}
            </Field>
          ))}
          <Field label="How many" className="col-span-2">
            {(id) => (
              <Choice<Count>
                id={id}
                label="How many"
                value={String(grounds?.mixes.length ?? 0) as Count}
                options={counts}
                onChange={(count) => void take(count)}
              />
            )}
          </Field>
        </div>
      )}
      {fault && (
        <p role="alert" className="mt-1 font-semibold text-stop">
          {fault}
        </p>
      )}
    </div>
  );
}
