import { useDraft } from "../../craft/useDraft";
import { bounds } from "../../api/bounds";
import type { MixWish } from "../../api/types";
import { queries } from "../../api/queries";
import { changed } from "../../api/changes";
import { useQuery } from "@tanstack/react-query";
import { Plus, X } from "lucide-react";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { Family, Material, Mix, MixComponent, MixDraft, Thinner } from "../../api/types";
import { familyWord, thinnerWord } from "../../api/words";
import { Button, Choice, Field, IconButton, NumberInput, notify, TextInput } from "../../ui";
import { Colours, Measure, Thickness } from "./MixSheetPanel";

interface Props {
  mix?: Mix;
  mixes: Mix[];
  materials: Material[];
  onKept: (id: string) => void;
  onGone: () => void;
}

/** What painters make themselves: the rules, rates and drying follow it. */
const homeMade: Family[] = ["acrylicWash", "enamelWash", "skim", "texturePaste", "grit", "pva"];
const units = { parts: "parts", drops: "drops", ml: "ml", grams: "g" } as const;

/** A recipe: any number of components, nested, with its true ratio. */
export function MixEditor({ mix, mixes, materials, onKept, onGone }: Props) {
  const start = mix?.mix ?? { name: "", components: [] };
  const [draft, setDraft, forget] = useDraft<MixDraft>(`mix ${mix ? `${mix.id} ${mix.version}` : "new"}`, start);
  const dirty = JSON.stringify(draft) !== JSON.stringify(start);
  const [fault, setFault] = useState<string>();
  const [question, setQuestion] = useState<MixWish>({ ground: "#8c8c8c", totalMl: 5 });
  const preview = useQuery(queries.mixPreview(draft, question));
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
  const done = () => changed("mixes");
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
      forget();
      onKept(kept.id);
      notify(`${kept.mix.name} is kept.`);
    } catch (error) {
      setFault(wording(error));
    }
  }
  async function remove() {
    if (!mix) return;
    try {
      await ask(api.DELETE("/api/mixes/{id}", { params: { path: { id: mix.id }, query: { version: mix.version } } }));
      await done();
      onGone();
      notify(
        `Deleted ${mix.mix.name}.`,
        () =>
          void ask(api.POST("/api/mixes/{id}/restore", { params: { path: { id: mix.id } } })).then(done, (error) =>
            notify(wording(error)),
          ),
      );
    } catch (error) {
      setFault(wording(error));
    }
  }
  const shown = draft.components.length > 0 && !preview.isError ? preview.data : undefined;
  return (
    <form
      className="grid grid-cols-1 items-start gap-6 p-4 xl:grid-cols-[minmax(0,1fr)_20rem]"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <div className="flex min-w-0 flex-col gap-4">
        <div className="grid gap-3 sm:grid-cols-[minmax(0,1fr)_13rem]">
          <Field label="Name">
            {(id) => (
              <TextInput
                id={id}
                {...bounds.MixDraft.name}
                value={draft.name}
                onChange={(e) => setDraft({ ...draft, name: e.target.value })}
              />
            )}
          </Field>
          <Field label="Counts as">
            {(id) => (
              <Choice<Family | "own">
                id={id}
                label="Counts as"
                value={draft.countsAs ?? "own"}
                options={[
                  { value: "own", label: "its main paint" },
                  ...homeMade.map((f) => ({ value: f, label: familyWord[f], group: "Made at home" })),
                ]}
                onChange={(f) => setDraft(({ countsAs: _before, ...d }) => (f === "own" ? d : { ...d, countsAs: f }))}
              />
            )}
          </Field>
        </div>
        <div>
          <h2 className="mb-1 text-xs font-semibold text-soft">Components</h2>
          <ul className="flex flex-col gap-2">
            {draft.components.map((c, i) => (
              <li
                key={i}
                className="grid grid-cols-[3.5rem_5rem_minmax(0,1fr)_2rem] sm:grid-cols-[5rem_6rem_minmax(0,1fr)_2rem] items-center gap-2"
              >
                <NumberInput
                  label={`Amount of component ${i + 1}`}
                  value={c.amount}
                  bound={bounds.MixComponentDraft.amount}
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
        {new Set(draft.components.map((c) => c.unit)).size > 1 && draft.components.some((c) => c.unit === "parts") && (
          <p className="text-xs text-soft">Where other units stand beside it, one part is one millilitre.</p>
        )}
        {preview.isError && (
          <p role="alert" className="text-sm font-semibold text-stop">
            {wording(preview.error)}
          </p>
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
          {dirty && (
            <Button
              look="quiet"
              onClick={() => {
                setDraft(start);
                forget();
              }}
            >
              Start again
            </Button>
          )}
          {mix && <Button onClick={() => void remove()}>Delete</Button>}
        </div>
        {shown && <Measure sheet={shown} question={question} onQuestion={setQuestion} />}
      </div>
      {shown && (
        <div className="flex flex-col gap-4" data-testid="mix-preview">
          <Colours sheet={shown} question={question} onQuestion={setQuestion} />
          <Thickness sheet={shown} />
        </div>
      )}
    </form>
  );
}
