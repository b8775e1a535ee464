import { useDraft } from "../../craft/useDraft";
import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import { changed } from "../../api/changes";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { Material, MaterialDraft } from "../../api/types";
import { choices, craft, familyFacts, familyWord, sheenWord } from "../../api/words";
import { Button, Choice, ColourInput, Field, isColour, NumberInput, notify, TextInput } from "../../ui";
import { FamilyFigures } from "./FamilyFigures";
import { LaboratoryFigures } from "./LaboratoryFigures";
import { LiveSwatch } from "./LiveSwatch";

const usual: MaterialDraft = {
  name: "",
  house: "",
  family: "acrylicPaint",
  colour: "#8a7a60",
  effect: "plain",
};
const usualSheen = "usual";
const usualCover = "usual";
const effects = { plain: "plain", metallic: "metallic", fluorescent: "fluorescent" } as const;

interface Props {
  material?: Material;
  onKept: (id: string) => void;
  onGone: () => void;
}

/** A material's figures, with a live swatch over black and over white. */
export function MaterialEditor({ material, onKept, onGone }: Props) {
  const start = material?.material ?? usual;
  const [draft, setDraft, forget] = useDraft(`paint ${material ? `${material.id} ${material.version}` : "new"}`, start);
  const [fault, setFault] = useState<string>();
  const set = (part: Partial<MaterialDraft>) => setDraft((d) => ({ ...d, ...part }));
  // What is left out is its family's.
  const leave = (key: keyof MaterialDraft) => setDraft(({ [key]: _left, ...d }) => d as MaterialDraft);
  const swatch = useQuery(
    queries.swatch(
      draft,
      material?.calibrationId ? material : undefined,
      draft.colour == null || isColour(draft.colour),
    ),
  );
  const clear = familyFacts(draft.family).clear;
  const facts = swatch.data?.facts;
  const covers =
    draft.contrastRatio == null
      ? undefined
      : [...craft().covers].sort(
          (a, b) => Math.abs(a.contrastRatio - draft.contrastRatio!) - Math.abs(b.contrastRatio - draft.contrastRatio!),
        )[0]?.cover;
  const dirty = JSON.stringify(draft) !== JSON.stringify(start);
  async function keep() {
    try {
      const kept = material
        ? await ask(
            api.PUT("/api/materials/{id}", {
              params: { path: { id: material.id } },
              body: { version: material.version, material: draft },
            }),
          )
        : await ask(api.POST("/api/materials", { body: draft }));
      await changed("shelf");
      setFault(undefined);
      setDraft(kept.material);
      forget();
      onKept(kept.id);
      notify(material ? `${kept.material.name} is changed.` : `${kept.material.name} is on the shelf.`);
    } catch (error) {
      setFault(wording(error));
    }
  }
  async function remove() {
    if (!material) return;
    try {
      await ask(
        api.DELETE("/api/materials/{id}", {
          params: { path: { id: material.id }, query: { version: material.version } },
        }),
      );
      await changed("shelf");
      onGone();
      notify(
        `${material.material.name} is off the shelf.`,
        () =>
          void ask(api.POST("/api/materials/{id}/restore", { params: { path: { id: material.id } } }))
            .catch((error) => notify(wording(error)))
            .then(() => changed("shelf")),
      );
    } catch (error) {
      setFault(wording(error));
    }
  }
  return (
    <form
      className="flex flex-col gap-3 p-4"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <h2 className="truncate font-semibold">{material ? material.material.name : "New material"}</h2>
      <LiveSwatch swatch={swatch.data} clear={clear} />
      {material?.calibrationId && (
        <p className="text-sm text-soft">
          Predictions follow its painted stripe; the colour, contrast and undertone below are those of the swatch.
        </p>
      )}
      {draft.effect === "fluorescent" && (
        <p className="text-sm text-soft">Fluorescents glow beyond any prediction here: the real coat looks lighter.</p>
      )}
      {draft.effect === "metallic" && (
        <p className="text-sm text-soft">
          Metal flake goes by rule of thumb: lighter on the edge, darker in the recess.
        </p>
      )}
      <div className="grid grid-cols-2 gap-3">
        <Field label="Name">
          {(id) => (
            <TextInput
              id={id}
              {...bounds.MaterialDraft.name}
              value={draft.name}
              onChange={(e) => set({ name: e.target.value })}
            />
          )}
        </Field>
        <Field label="House">
          {(id) => (
            <TextInput
              id={id}
              {...bounds.MaterialDraft.house}
              value={draft.house}
              onChange={(e) => set({ house: e.target.value })}
            />
          )}
        </Field>
        <Field label="Family">
          {(id) => (
            <Choice
              id={id}
              label="Family"
              value={draft.family}
              options={choices(familyWord)}
              onChange={(family) => set({ family })}
            />
          )}
        </Field>
        <Field label="Sheen">
          {(id) => (
            <Choice
              id={id}
              label="Sheen"
              value={draft.sheen ?? usualSheen}
              options={[
                {
                  value: usualSheen,
                  label: facts && !draft.sheen ? `${sheenWord[facts.sheen]}, as its kind` : "as its kind",
                },
                ...choices(sheenWord),
              ]}
              onChange={(sheen) => (sheen === usualSheen ? leave("sheen") : set({ sheen }))}
            />
          )}
        </Field>
        <Field label="Colour, dry and hiding">
          {(id) => (
            <ColourInput
              id={id}
              label="colour"
              value={draft.colour ?? facts?.colour ?? ""}
              onChange={(colour) => set({ colour })}
            />
          )}
        </Field>
        <Field label="Effect">
          {(id) => (
            <Choice
              id={id}
              label="Effect"
              value={draft.effect}
              options={(Object.keys(effects) as MaterialDraft["effect"][]).map((value) => ({
                value,
                label: effects[value],
              }))}
              onChange={(effect) => set({ effect })}
            />
          )}
        </Field>
        {!clear && (
          <Field label="How well does it cover?" hint={covers ? undefined : "as its colour usually does"}>
            {(id) => (
              <Choice<string>
                id={id}
                label="How well does it cover?"
                value={covers ?? usualCover}
                options={[
                  { value: usualCover, label: "as usual" },
                  ...craft().covers.map((c) => ({ value: c.cover, label: c.word })),
                ]}
                onChange={(word) => {
                  const { contrastRatio: _c, referenceFilmUm: _f, ...rest } = draft;
                  const chosen = craft().covers.find((c) => c.cover === word);
                  setDraft(chosen ? { ...rest, contrastRatio: chosen.contrastRatio } : rest);
                }}
              />
            )}
          </Field>
        )}
        <Field label="Running low under" hint="empty where nobody minds">
          {(id) => (
            <NumberInput
              id={id}
              value={draft.lowStockMl ?? null}
              bound={bounds.MaterialDraft.lowStockMl}
              unit="ml"
              onChange={(lowStockMl) => set({ lowStockMl })}
              onEmpty={() => leave("lowStockMl")}
            />
          )}
        </Field>
      </div>
      <LaboratoryFigures draft={draft} facts={facts} clear={clear} set={set} leave={leave} />
      {!swatch.data && <div className="min-h-24" />}
      {swatch.data && <FamilyFigures draft={draft} facts={swatch.data.facts} onChange={setDraft} />}
      {fault && (
        <p role="alert" className="text-sm font-semibold text-stop">
          {fault}
        </p>
      )}
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={!dirty || draft.name.trim() === ""}>
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
        {material && <Button onClick={() => void remove()}>Take off the shelf</Button>}
      </div>
      {material && material.usedIn > 0 && (
        <p className="text-xs text-soft">
          Used in {material.usedIn} {material.usedIn === 1 ? "stack or mix" : "stacks and mixes"}; a change moves their
          predictions.
        </p>
      )}
    </form>
  );
}
