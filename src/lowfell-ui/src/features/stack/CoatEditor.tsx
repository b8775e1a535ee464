import { useQuery } from "@tanstack/react-query";
import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import type { Coat, Material, Mix, Schools, Stratum, Technique, ZonePage } from "../../api/types";
import { craft, techniqueFacts, techniqueGroups, techniqueWord } from "../../api/words";
import { WetPair } from "../../craft/WetPair";
import { Choice, Field, NumberInput, Toggle } from "../../ui";
import { Cautions } from "./Cautions";
import { CoatColours } from "./CoatColours";
import { ColourHelp } from "./ColourHelp";
import { DilutionEditor } from "./DilutionEditor";
import { OwnHand } from "./OwnHand";
import { PaintPicker } from "./PaintPicker";
import { MarksEditor } from "./MarksEditor";
import { change, primes, primingWays, withoutPrimers, withPrimer, withTechnique } from "./stackEdits";
import { WaitEditor } from "./WaitEditor";
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
  const primed = primes(coat, materials);
  const ways = [...primingWays(materials), ...(primed ? [coat.technique] : [])];
  const techniques = [
    ...[...new Set(ways)].map((way) => ({
      value: `prime:${way}`,
      label: `${craft().prime}: ${techniqueWord[way].toLowerCase()}`,
      group: craft().prime,
    })),
    ...techniqueGroups.flatMap((g) =>
      g.items.map((value) => ({ value: value as string, label: techniqueWord[value], group: g.label })),
    ),
  ];
  const { needsMaterial } = techniqueFacts(coat.technique);
  const patch = (part: Partial<Coat>) => editor.edit(change(coats, coat.id, part));
  const patchField = (field: string, part: Partial<Coat>) =>
    editor.editField(change(coats, coat.id, part), coat.id + field);
  const patchCoat = (field: string, apply: (coat: Coat) => Coat) =>
    editor.editField(
      coats.map((c) => (c.id === coat.id ? apply(c) : c)),
      coat.id + field,
    );
  const setTechnique = (value: string) => {
    const [technique, prime] = [value.split(":").at(-1) as Technique, value.startsWith("prime:")];
    // What primed and shall not any more is laid of something that colours.
    const others = primed && !prime ? withoutPrimers(materials) : materials;
    const lay = prime ? withPrimer : withTechnique;
    editor.edit(coats.map((c) => (c.id === coat.id ? lay(c, technique, others) : c)));
  };
  const wet = useQuery({ ...queries.wet(page.zone, coats, schools, coat.id), enabled: stratum !== undefined });
  return (
    <div className="flex flex-col gap-4 p-4">
      <h2 className="font-semibold">
        Coat {index + 1} <span className="font-normal text-soft">of {coats.length}</span>
      </h2>
      {stratum && <CoatColours stratum={stratum} />}
      {wet.data !== null && stratum && (
        <div className="text-sm">
          <WetPair of={wet.data} />
        </div>
      )}
      <div className="grid grid-cols-[1fr_5.5rem] gap-3">
        <Field label="Technique" id="coat-technique">
          {(id) => (
            <Choice
              id={id}
              label="Technique"
              value={primed ? `prime:${coat.technique}` : coat.technique}
              options={techniques}
              onChange={setTechnique}
            />
          )}
        </Field>
        <Field label="Passes">
          {(id) => (
            <NumberInput
              id={id}
              value={coat.passes}
              bound={bounds.CoatDraft.passes}
              onChange={(passes) => Number.isInteger(passes) && patchField("passes", { passes })}
            />
          )}
        </Field>
      </div>
      {stratum && (
        <p className="-mt-2 min-h-5 text-sm text-soft" data-testid="tool">
          {stratum.tool && `With a ${stratum.tool}.`}
        </p>
      )}
      {needsMaterial && (
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
            onTake={(next) => editor.edit(next)}
          />
        </>
      )}
      {stratum?.cautions && <Cautions cautions={stratum.cautions} note={cautionNote} />}
      <WaitEditor coat={coat} first={index === 0} stratum={stratum} air={page.zone.air} onChange={patchCoat} />
      <MarksEditor page={page} coat={coat} onChange={patchCoat} />
      <div className="flex flex-col gap-1 border-t border-line pt-3">
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
            {...bounds.CoatDraft.note}
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
