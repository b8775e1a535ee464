import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Plus, X } from "lucide-react";
import { useState } from "react";
import { api, ask, queryClient, wording } from "../../api/client";
import type { Material, Mix, MixComponent, MixDraft, Thinner } from "../../api/types";
import { number, thinnerWord } from "../../api/words";
import { Button, Choice, Field, IconButton, NumberInput, notify, TextInput } from "../../ui";

interface Props {
  mix?: Mix;
  mixes: Mix[];
  materials: Material[];
  onKept: (id: string) => void;
  onGone: () => void;
}

const units = { parts: "parts", drops: "drops", ml: "ml", grams: "g" } as const;

/** A recipe: any number of components, nested, with its true ratio. */
export function MixEditor({ mix, mixes, materials, onKept, onGone }: Props) {
  const [draft, setDraft] = useState<MixDraft>(mix?.mix ?? { name: "", components: [] });
  const [fault, setFault] = useState<string>();
  const preview = useQuery({
    queryKey: ["mixPreview", draft.components],
    queryFn: ({ signal }) =>
      ask(
        api.POST("/api/preview/mix", {
          body: { name: "mix", components: draft.components },
          signal,
        }),
      ),
    enabled: draft.components.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const setComponents = (components: MixComponent[]) => setDraft({ ...draft, components });
  const patch = (i: number, part: Partial<MixComponent>) =>
    setComponents(draft.components.map((c, at) => (at === i ? { ...c, ...part } : c)));
  const sources = [
    ...mixes.filter((m) => m.id !== mix?.id).map((m) => ({ value: `mix:${m.id}`, label: m.mix.name, group: "Mixes" })),
    ...(Object.keys(thinnerWord) as Thinner[]).map((t) => ({
      value: `thinner:${t}`,
      label: thinnerWord[t],
      group: "Thinners",
    })),
    ...materials.map((m) => ({
      value: `material:${m.id}`,
      label: m.material.name,
      group: "Shelf",
    })),
  ];
  const pick = (i: number, value: string) => {
    const [kind, id] = value.split(":") as [string, string];
    const { amount, unit } = draft.components[i]!;
    const source: Partial<MixComponent> =
      kind === "mix" ? { mixId: id } : kind === "thinner" ? { thinner: id as Thinner } : { materialId: id };
    setComponents(draft.components.map((c, at) => (at === i ? { amount, unit, ...source } : c)));
  };
  const done = async () => {
    await queryClient.invalidateQueries({
      predicate: (q) => ["mixes", "sets", "zone", "preview", "materials"].includes(String(q.queryKey[0])),
    });
  };
  async function keep() {
    try {
      const kept = mix
        ? await ask(
            api.PUT("/api/mixes/{id}", {
              params: { path: { id: mix.id } },
              body: { version: mix.version, mix: draft },
            }),
          )
        : await ask(api.POST("/api/mixes", { body: draft }));
      await done();
      setFault(undefined);
      onKept(kept.id);
      notify(`${kept.mix.name} is kept.`);
    } catch (error) {
      setFault(wording(error));
    }
  }
  async function remove() {
    if (!mix) return;
    try {
      await ask(api.DELETE("/api/mixes/{id}", { params: { path: { id: mix.id } } }));
      await done();
      onGone();
      notify(`Deleted ${mix.mix.name}.`, () => void ask(api.POST("/api/mixes", { body: mix.mix })).then(done));
    } catch (error) {
      setFault(wording(error));
    }
  }
  return (
    <form
      className="flex flex-col gap-4 p-4"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <Field label="Name">
        {(id) => (
          <TextInput
            id={id}
            maxLength={120}
            value={draft.name}
            onChange={(e) => setDraft({ ...draft, name: e.target.value })}
            className="max-w-96"
          />
        )}
      </Field>
      <div>
        <h2 className="mb-1 text-xs font-semibold text-soft">Components</h2>
        <ul className="flex flex-col gap-2">
          {draft.components.map((c, i) => (
            <li key={i} className="grid grid-cols-[5rem_6rem_minmax(0,1fr)_2rem] items-center gap-2">
              <NumberInput
                label={`Amount of component ${i + 1}`}
                value={c.amount}
                min={0.0001}
                max={10000}
                onChange={(amount) => patch(i, { amount })}
              />
              <Choice
                label={`Unit of component ${i + 1}`}
                value={c.unit}
                options={(Object.keys(units) as MixComponent["unit"][]).map((value) => ({
                  value,
                  label: units[value],
                }))}
                onChange={(unit) => patch(i, { unit })}
              />
              <Choice
                label={`Component ${i + 1}`}
                value={c.mixId ? `mix:${c.mixId}` : c.thinner ? `thinner:${c.thinner}` : `material:${c.materialId}`}
                options={sources}
                onChange={(v) => pick(i, v)}
              />
              <IconButton
                label={`Take component ${i + 1} out`}
                onClick={() => setComponents(draft.components.filter((_, at) => at !== i))}
              >
                <X size={16} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ul>
        <Button
          className="mt-2"
          disabled={draft.components.length >= 40 || materials.length === 0}
          onClick={() =>
            setComponents([
              ...draft.components,
              {
                amount: 1,
                unit: draft.components.at(-1)?.unit ?? "parts",
                materialId: materials[0]!.id,
              },
            ])
          }
        >
          <Plus size={15} aria-hidden /> Component
        </Button>
      </div>
      {preview.isError && (
        <p role="alert" className="text-sm font-semibold text-stop">
          {wording(preview.error)}
        </p>
      )}
      {!preview.data && draft.components.length > 0 && !preview.isError && (
        <div style={{ height: `${Math.max(9.5, 1.6 + 1.75 * draft.components.length)}rem` }} />
      )}
      {preview.data && draft.components.length > 0 && !preview.isError && (
        <div className="flex flex-wrap items-start gap-6" data-testid="mix-preview">
          <div className="rounded bg-swatch p-3">
            {(
              [
                ["#161616", preview.data.overBlack],
                ["#f2f2f0", preview.data.overWhite],
              ] as const
            ).map(([ground, colours]) => (
              <div key={ground} className="flex gap-2 px-2 py-1.5" style={{ background: ground }}>
                {colours.map((colour, i) => (
                  <span
                    key={i}
                    className="h-9 w-14"
                    style={{ background: colour }}
                    title={`${i + 1} ${i === 0 ? "pass" : "passes"}: ${colour}`}
                  />
                ))}
              </div>
            ))}
            <p className="pt-1 text-center text-xs text-ink">1, 2, 3 passes</p>
          </div>
          <div className="min-w-64 flex-1 text-sm">
            <h3 className="mb-1 font-semibold">True shares by volume</h3>
            {preview.data.shares.map((s) => (
              <div key={s.name} className="flex items-center gap-2 py-0.5">
                <span className="rounded bg-swatch p-0.5">
                  <span
                    className="block h-3.5 w-6 rounded-sm border border-line"
                    style={{ background: s.colour ?? "transparent" }}
                  />
                </span>
                <span className="flex-1">{s.name}</span>
                <span>{number(s.share * 100)} %</span>
              </div>
            ))}
            {preview.data.paintFraction < 1 && (
              <p className="pt-1 text-soft">{number(preview.data.paintFraction * 100)} % of it is paint.</p>
            )}
            {preview.data.mixesCarriers && (
              <p className="pt-1 font-semibold text-stop">These liquids do not mix: it will curdle.</p>
            )}
          </div>
        </div>
      )}
      {fault && (
        <p role="alert" className="text-sm font-semibold text-stop">
          {fault}
        </p>
      )}
      <div className="flex gap-2">
        <Button
          look="main"
          type="submit"
          disabled={
            draft.name.trim() === "" ||
            draft.components.length === 0 ||
            JSON.stringify(draft) === JSON.stringify(mix?.mix)
          }
        >
          Keep
        </Button>
        {mix && <Button onClick={() => void remove()}>Delete</Button>}
      </div>
    </form>
  );
}
