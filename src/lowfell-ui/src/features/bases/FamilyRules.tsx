import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { bounds } from "../../api/bounds";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { BaseFamily, Tray } from "../../api/types";
import { choices, elementKindWord, number, textureWord } from "../../api/words";
import { Button, Choice, ColourInput, Field, IconButton, NumberInput, TextInput, Toggle, own } from "../../ui";
import { Plus, X } from "lucide-react";
import { CrackleHelp } from "./CrackleHelp";
import type { TrayHands } from "./useTray";

const percent = 100;
const colours = [
  ["ground", "Ground"],
  ["crust", "Crust"],
  ["crack", "In its cracks"],
  ["light", "On edges"],
  ["tufts", "Tufts"],
] as const;

/** Rules of a family: shares of the ground, heights, calm, rim, clusters by size of base, colours. */
export function FamilyRules({ tray, hands }: { tray?: Tray; hands?: TrayHands }) {
  const families = useQuery(queries.baseFamilies());
  const [id, setId] = useState(tray?.familyId ?? "");
  const row = families.data?.find((f) => f.id === id) ?? families.data?.[0];
  const [draft, setDraft] = useState<BaseFamily>();
  const [fault, setFault] = useState<string>();
  useEffect(() => setDraft(row?.family), [row]);
  if (!families.data) return <p className="text-soft">Opening the families…</p>;
  async function run(call: () => Promise<unknown>) {
    setFault(undefined);
    try {
      await call();
    } catch (error) {
      setFault(wording(error));
    }
    await changed("families");
  }
  const add = (family: BaseFamily) =>
    run(async () => setId((await ask(api.POST("/api/base-families", { body: family }))).id));
  if (!row || !draft)
    return (
      <p className="flex items-center gap-3 text-sm text-soft">
        No family yet.
        <Button
          onClick={() =>
            void run(async () => {
              for (const family of await ask(api.GET("/api/base-families/starters")))
                await ask(api.POST("/api/base-families", { body: family }));
            })
          }
        >
          Begin with three
        </Button>
      </p>
    );
  const set = (part: Partial<BaseFamily>) => setDraft({ ...draft, ...part });
  const b = bounds.BaseFamilyDraft;
  const together = draft.shares.reduce((sum, s) => sum + s, 0);
  const dirty = JSON.stringify(draft) !== JSON.stringify(row.family);
  return (
    <div className="text-sm">
      <div className="flex flex-wrap items-end gap-2">
        <Field label="Family" className="w-48">
          {(field) => (
            <Choice
              id={field}
              label="Family"
              value={row.id}
              options={families.data.map((f) => ({ value: f.id, label: f.family.name }))}
              onChange={setId}
            />
          )}
        </Field>
        <Field label="Its name" className="w-48">
          {(field) => (
            <TextInput id={field} {...b.name} value={draft.name} onChange={(e) => set({ name: e.target.value })} />
          )}
        </Field>
        {tray && hands && row.id !== tray.familyId && (
          <Button
            onClick={() =>
              void run(() =>
                ask(
                  api.PUT("/api/trays/{id}", {
                    params: { path: { id: tray.id } },
                    body: { version: tray.version, tray: { familyId: row.id, copies: tray.bases.map((x) => x.kept) } },
                  }),
                ),
              )
            }
          >
            Take it for this tray
          </Button>
        )}
        <Button className="ml-auto" onClick={() => void add({ ...draft, name: `${draft.name}, another` })}>
          Copy
        </Button>
        <Button
          look="main"
          disabled={!dirty || !draft.name.trim()}
          onClick={() =>
            void run(() =>
              ask(
                api.PUT("/api/base-families/{id}", {
                  params: { path: { id: row.id } },
                  body: { version: row.version, family: draft },
                }),
              ),
            )
          }
        >
          Keep
        </Button>
      </div>
      {fault && (
        <p role="alert" className="mt-2 font-semibold text-stop">
          {fault}
        </p>
      )}
      <h3 className="mt-3 mb-1 font-semibold">
        Shares of the ground{" "}
        <span className={Math.abs(together - 1) > 0.005 ? "font-semibold text-risk" : "font-normal text-soft"}>
          together {number(percent * together, 1)} %
        </span>
      </h3>
      <div className="grid grid-cols-5 gap-2">
        {Object.values(textureWord).map((word, i) => (
          <Field key={word} label={word}>
            {(field) => (
              <NumberInput
                id={field}
                value={Math.round(draft.shares[i]! * 1000) / 10}
                bound={{ min: 0, max: percent, unit: "%" }}
                onChange={(v) => set({ shares: draft.shares.map((s, k) => (k === i ? v / percent : s)) })}
              />
            )}
          </Field>
        ))}
      </div>
      <h3 className="mt-3 mb-1 font-semibold">Heights and calm</h3>
      <div className="grid grid-cols-4 gap-2">
        {(
          [
            ["skimMm", "Skim", "mm"],
            ["riseMm", "Rise to the rear", "mm"],
            ["crackleMm", "Crackle laid", "mm"],
            ["rimMm", "Rim wider by", "mm"],
          ] as const
        ).map(([key, label, unit]) => (
          <Field key={key} label={label}>
            {(field) => (
              <NumberInput
                id={field}
                value={draft[key]}
                bound={b[key]}
                unit={unit}
                onChange={(v) => set({ [key]: v })}
              />
            )}
          </Field>
        ))}
        <Field label="Calm ground, %">
          {(field) => (
            <NumberInput
              id={field}
              value={Math.round(draft.calm * percent)}
              bound={{ min: Math.round(b.calm.min * percent), max: b.calm.max * percent, unit: "%" }}
              onChange={(v) => set({ calm: v / percent })}
            />
          )}
        </Field>
        <Field label="Static grass, %">
          {(field) => (
            <NumberInput
              id={field}
              value={Math.round(draft.grass * percent)}
              bound={{ min: 0, max: percent, unit: "%" }}
              onChange={(v) => set({ grass: v / percent })}
            />
          )}
        </Field>
        <Field label="Tufts together, least">
          {(field) => (
            <NumberInput
              id={field}
              value={draft.leastTufts}
              bound={b.leastTufts}
              onChange={(v) => set({ leastTufts: Math.round(v) })}
            />
          )}
        </Field>
        <div className="self-end pb-1">
          <Toggle
            label="Lively in front too"
            checked={draft.livelyFront}
            onChange={(livelyFront) => set({ livelyFront })}
          />
          <Toggle
            label="Landings bare for glue"
            checked={draft.bareLandings ?? false}
            onChange={(bareLandings) => set({ bareLandings })}
          />
        </div>
      </div>
      {(draft.shares[0] ?? 0) > 0 && (
        <CrackleHelp
          mm={draft.crackleMm}
          tile={draft.tile ?? null}
          scale={tray?.scale}
          onTake={(crackleMm) => set({ crackleMm })}
          onTile={(tile) => set({ tile })}
        />
      )}
      <h3 className="mt-3 mb-1 font-semibold">Colours</h3>
      <div className="grid grid-cols-5 gap-2">
        {colours.map(([key, label]) => (
          <Field key={key} label={label}>
            {(field) => (
              <ColourInput id={field} label={label} value={draft[key]} onChange={(v) => v && set({ [key]: v })} />
            )}
          </Field>
        ))}
      </div>
      <Clusters draft={draft} set={set} />
    </div>
  );
}

function Clusters({ draft, set }: { draft: BaseFamily; set: (part: Partial<BaseFamily>) => void }) {
  const b = bounds.ClusterDraft;
  const change = (i: number, part: Partial<BaseFamily["clusters"][number]>) =>
    set({ clusters: draft.clusters.map((c, k) => (k === i ? { ...c, ...part } : c)) });
  return (
    <>
      <h3 className="mt-3 mb-1 font-semibold">
        Clusters{" "}
        <span className="font-normal text-soft">one of each group is laid on a base; the first in it is its heart</span>
      </h3>
      <ul className="flex flex-col gap-2">
        {draft.clusters.map((c, i) => (
          // Clusters have no name of their own.
          // oxlint-disable-next-line react/no-array-index-key
          <li key={i} className="rounded border border-line p-2">
            <div className="grid grid-cols-[1fr_4rem_4.5rem_4.5rem_4.5rem_2rem] items-end gap-2">
              <Field label="Cluster">
                {(id) => (
                  <TextInput id={id} {...b.name} value={c.name} onChange={(e) => change(i, { name: e.target.value })} />
                )}
              </Field>
              <Field label="Group">
                {(id) => (
                  <NumberInput
                    id={id}
                    value={c.group}
                    bound={b.group}
                    onChange={(v) => change(i, { group: Math.round(v) })}
                  />
                )}
              </Field>
              <Field label={`From, ${own("mm").unit}`}>
                {(id) => (
                  <NumberInput
                    id={id}
                    value={c.fromMm}
                    bound={b.fromMm}
                    unit="mm"
                    bare
                    onChange={(v) => change(i, { fromMm: v })}
                  />
                )}
              </Field>
              <Field label={`To, ${own("mm").unit}`}>
                {(id) => (
                  <NumberInput
                    id={id}
                    value={c.toMm}
                    bound={b.toMm}
                    unit="mm"
                    bare
                    onChange={(v) => change(i, { toMm: v })}
                  />
                )}
              </Field>
              <Field label="How often">
                {(id) => (
                  <NumberInput id={id} value={c.weight} bound={b.weight} onChange={(v) => change(i, { weight: v })} />
                )}
              </Field>
              <IconButton
                label={`Take cluster ${i + 1} away`}
                onClick={() => set({ clusters: draft.clusters.filter((_, k) => k !== i) })}
              >
                <X size={15} aria-hidden />
              </IconButton>
            </div>
            <div className="mt-1 flex flex-wrap items-center gap-1">
              {c.elements.map((e, k) => (
                // oxlint-disable-next-line react/no-array-index-key
                <span key={k} className="flex items-center gap-0.5">
                  <span className="w-24">
                    <Choice
                      label={`Element ${k + 1} of cluster ${i + 1}`}
                      value={e.kind}
                      options={[...choices(elementKindWord), { value: "none" as const, label: "take away" }]}
                      onChange={(kind) =>
                        change(i, {
                          elements:
                            kind === "none"
                              ? c.elements.filter((_, x) => x !== k)
                              : c.elements.map((was, x) => (x === k ? { ...was, kind } : was)),
                        })
                      }
                    />
                  </span>
                  <NumberInput
                    className="w-14"
                    label={`Length of element ${k + 1} of cluster ${i + 1}`}
                    value={e.lengthMm}
                    bound={bounds.WishedDraft.lengthMm}
                    onChange={(lengthMm) =>
                      change(i, { elements: c.elements.map((was, x) => (x === k ? { ...was, lengthMm } : was)) })
                    }
                  />
                </span>
              ))}
              <IconButton
                label={`Add an element to cluster ${i + 1}`}
                onClick={() =>
                  change(i, { elements: [...c.elements, c.elements.at(-1) ?? { kind: "stone", lengthMm: 4 }] })
                }
              >
                <Plus size={15} aria-hidden />
              </IconButton>
            </div>
          </li>
        ))}
      </ul>
      <Button
        className="mt-2"
        onClick={() =>
          set({
            clusters: [
              ...draft.clusters,
              { name: "stones", group: 1, fromMm: 0, toMm: 500, weight: 1, elements: [{ kind: "stone", lengthMm: 5 }] },
            ],
          })
        }
      >
        <Plus size={15} aria-hidden /> Cluster
      </Button>
    </>
  );
}
