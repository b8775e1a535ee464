import type { Coat, Material, Mix, Schools, Stratum, Technique, ZonePage } from "../../api/types";
import { techniqueGroups, techniqueWord } from "../../api/words";
import { Choice, Field, NumberInput, Toggle } from "../../ui";
import { Cautions } from "./Cautions";
import { CoatColours } from "./CoatColours";
import { ColourHelp } from "./ColourHelp";
import { DilutionEditor } from "./DilutionEditor";
import { OwnHand } from "./OwnHand";
import { PaintPicker } from "./PaintPicker";
import { change } from "./stackEdits";
import { drying } from "./drying";
import type { useStackEditor } from "./useStackEditor";

interface Props {
  page: ZonePage;
  schools: Schools;
  coats: Coat[];
  coat: Coat;
  index: number;
  stratum: Stratum | undefined;
  cautionNote: string;
  materials: Material[];
  mixes: Mix[];
  editor: ReturnType<typeof useStackEditor>;
}

const techniques = techniqueGroups.flatMap((g) =>
  g.items.map((value) => ({ value, label: techniqueWord[value], group: g.label })),
);

/** One coat: what goes on, how, and what comes of it. */
export function CoatEditor({
  page,
  schools,
  coats,
  coat,
  index,
  stratum,
  cautionNote,
  materials,
  mixes,
  editor,
}: Props) {
  const patch = (part: Partial<Coat>) => editor.edit(change(coats, coat.id, part));
  const patchField = (field: string, part: Partial<Coat>) =>
    editor.editField(change(coats, coat.id, part), coat.id + field);
  const setTechnique = (technique: Technique) => {
    const { materialId, mixId, ...bare } = coat;
    const paint = technique === "openChips" ? {} : { materialId, mixId };
    const fallback = technique !== "openChips" && !materialId && !mixId ? { materialId: materials[0]?.id } : {};
    const neat = technique === "sprayCan" ? { paintFraction: 1 } : {};
    editor.edit(coats.map((c) => (c.id === coat.id ? { ...bare, ...paint, ...fallback, ...neat, technique } : c)));
  };
  return (
    <div className="flex flex-col gap-4 p-4">
      <h2 className="font-semibold">
        Coat {index + 1} <span className="font-normal text-soft">of {coats.length}</span>
      </h2>
      {stratum && <CoatColours stratum={stratum} target={page.zone.target} />}
      <div className="grid grid-cols-[1fr_5.5rem] gap-3">
        <Field label="Technique" id="coat-technique">
          {(id) => (
            <Choice id={id} label="Technique" value={coat.technique} options={techniques} onChange={setTechnique} />
          )}
        </Field>
        <Field label="Passes">
          {(id) => (
            <NumberInput
              id={id}
              value={coat.passes}
              min={1}
              max={20}
              onChange={(passes) => Number.isInteger(passes) && patchField("passes", { passes })}
            />
          )}
        </Field>
      </div>
      {coat.technique !== "openChips" && (
        <>
          <PaintPicker
            coat={coat}
            materials={materials}
            mixes={mixes}
            onPick={(paint) => editor.edit(coats.map((c) => (c.id === coat.id ? paint(c) : c)))}
          />
          <DilutionEditor coat={coat} mix={stratum?.mix} copies={page.piece.copies} onChange={patchField} />
          <ColourHelp
            page={page}
            schools={schools}
            coats={coats}
            coat={coat}
            onApply={(paint) => editor.edit(coats.map((c) => (c.id === coat.id ? paint(c) : c)))}
          />
        </>
      )}
      {stratum?.cautions && <Cautions cautions={stratum.cautions} note={cautionNote} />}
      <div className="flex flex-col gap-1 border-t border-line pt-3">
        <Toggle
          label="Wait until what is below has cured"
          checked={coat.wait === "cured"}
          onChange={(on) => patch({ wait: on ? "cured" : "recoatDry" })}
        />
        <Toggle
          label="Hurried with warm air"
          hint={stratum && coat.technique !== "openChips" ? drying(stratum, page.zone.air) : undefined}
          checked={coat.hurried}
          onChange={(hurried) => patch({ hurried })}
        />
        <Toggle label="Optional coat" checked={coat.optional} onChange={(optional) => patch({ optional })} />
        <Toggle label="Skipped" checked={coat.skipped} onChange={(skipped) => patch({ skipped })} />
      </div>
      <OwnHand
        coat={coat}
        onChange={patchField}
        onClear={() => editor.edit(coats.map((c) => (c.id === coat.id ? withoutDeposit(c) : c)))}
      />
      <Field label="Note">
        {(id) => (
          <textarea
            id={id}
            rows={2}
            maxLength={2000}
            className="w-full rounded border border-strong bg-raised px-2 py-1 text-sm"
            value={coat.note}
            onChange={(e) => patchField("note", { note: e.target.value })}
          />
        )}
      </Field>
    </div>
  );
}

function withoutDeposit({ deposit: _deposit, ...coat }: Coat): Coat {
  return coat;
}
