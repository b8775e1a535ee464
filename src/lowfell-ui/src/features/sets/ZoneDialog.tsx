import { bounds } from "../../api/bounds";
import { length } from "../../api/units";
import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useKeptForm } from "../../craft/useKeptForm";
import type { PieceView, ZoneSettings, ZoneView } from "../../api/types";
import { area, choices, facingWord, fittingWord, reliefWord, sheenWord } from "../../api/words";
import {
  Choice,
  colourOrNothing,
  Field,
  figure,
  figureOrNothing,
  nameOf,
  inUnit,
  own,
  percent,
  TextInput,
  Toggle,
} from "../../ui";
import { FormDialog } from "./FormDialog";
import { MatesField } from "./MatesField";

const usual: ZoneSettings = {
  name: "",
  areaShare: 1,
  relief: "textured",
  facing: "side",
  litEdges: 1,
  unseen: 0,
  handled: false,
  rim: false,
  cutEdges: false,
  finish: "matt",
  tolerance: 5,
  neighbours: [],
  mates: [],
  fitting: "free",
};

const optional = (text: string) => (text.trim() === "" ? undefined : Number(text));

interface Form extends ZoneSettings {
  sharePercent: number;
  detail: string;
  creases: string;
  edges: string;
  litPercent: string;
  unseenPercent: string;
  from: string;
  to: string;
  crack: string;
  hex: string;
}

/** A zone's surface, its target, and whose coats it takes. */
export function ZoneDialog({
  piece,
  siblings,
  fitted,
  zone,
  onClose,
  onSave,
}: {
  piece: PieceView;
  /** The pieces of its set. */
  siblings: PieceView[];
  /** Something is fitted on the piece, or it is fitted on another. */
  fitted: boolean;
  zone?: ZoneView;
  onClose: () => void;
  onSave: (settings: ZoneSettings) => Promise<unknown>;
}) {
  const start = zone?.settings ?? {
    ...usual,
    areaShare: Math.max(
      0.01,
      Math.round((1 - piece.zones.reduce((n, z) => n + (z.settings.areaShare ?? 0), 0)) * 100) / 100,
    ),
  };
  const mm = own("mm");
  const mm2 = own("mm²");
  const { register, handleSubmit, formState, watch, setValue, draft } = useKeptForm<Form>(
    inUnit(`zone ${zone?.id ?? `new on ${piece.id}`}`),
    {
      ...start,
      ownAreaMm2: start.ownAreaMm2 == null ? undefined : mm2.show(start.ownAreaMm2),
      sharePercent: Math.round((start.areaShare ?? 0.1) * 1000) / 10,
      detail: mm.text(start.smallestDetailMm),
      creases: mm.text(start.creaseMm),
      edges: mm.text(start.edgeMm),
      litPercent: String(Math.round(start.litEdges * 100)),
      unseenPercent: String(Math.round(start.unseen * 100)),
      from: mm.text(start.heightFromMm),
      to: mm.text(start.heightToMm),
      crack: start.crackColour ?? "",
      hex: start.target ?? "",
    },
  );
  const [byShare, setByShare] = useState(start.ownAreaMm2 === undefined || start.ownAreaMm2 === null);
  const schemes = useQuery({ ...queries.schemes(), staleTime: 0 });
  const values = watch();
  const others = piece.zones.filter((z) => z.id !== zone?.id);
  const settings = ({
    sharePercent,
    detail,
    creases,
    edges,
    litPercent,
    unseenPercent,
    from,
    to,
    crack,
    hex,
    ...v
  }: Form): ZoneSettings => ({
    ...v,
    ...(byShare
      ? { areaShare: sharePercent / 100, ownAreaMm2: undefined }
      : { areaShare: undefined, ownAreaMm2: mm2.kept(v.ownAreaMm2 ?? "", start.ownAreaMm2) }),
    smallestDetailMm: mm.kept(detail, start.smallestDetailMm),
    creaseMm: mm.kept(creases, start.creaseMm),
    edgeMm: mm.kept(edges, start.edgeMm),
    litEdges: (optional(litPercent) ?? 100) / 100,
    unseen: (optional(unseenPercent) ?? 0) / 100,
    heightFromMm: mm.kept(from, start.heightFromMm),
    heightToMm: mm.kept(to, start.heightToMm),
    crackColour: crack.trim() === "" ? undefined : crack.trim(),
    target: hex.trim() === "" ? undefined : hex.trim(),
  });
  return (
    <FormDialog
      title={zone ? "Edit the zone" : `New zone on ${piece.piece.name}`}
      draft={draft}
      onClose={onClose}
      submit={(save) => handleSubmit((v) => save(() => onSave(settings(v))))}
    >
      <div className="grid grid-cols-2 gap-3">
        <Field label="Name" error={formState.errors.name?.message}>
          {(id, d) => (
            <TextInput id={id} aria-describedby={d} autoFocus {...register("name", nameOf(bounds.ZoneSettings.name))} />
          )}
        </Field>
        <Field label="Coats from">
          {(id) => (
            <Choice
              id={id}
              label="Scheme"
              value={values.schemeId ?? "new"}
              options={[
                ...(zone ? [] : [{ value: "new", label: "a new, empty scheme" }]),
                ...(schemes.data ?? []).map((s) => ({ value: s.id, label: s.name })),
              ]}
              onChange={(v) => setValue("schemeId", v === "new" ? undefined : v)}
            />
          )}
        </Field>
        <Field label="Relief">
          {(id) => (
            <Choice
              id={id}
              label="Relief"
              value={values.relief}
              options={choices(reliefWord)}
              onChange={(v) => setValue("relief", v)}
            />
          )}
        </Field>
        <Field label="Facing">
          {(id) => (
            <Choice
              id={id}
              label="Facing"
              value={values.facing}
              options={choices(facingWord)}
              onChange={(v) => setValue("facing", v)}
            />
          )}
        </Field>
        {byShare ? (
          <Field
            label={`Share of the piece (${area(piece.areaMm2)}), %`}
            error={formState.errors.sharePercent?.message}
          >
            {(id, d) => (
              <TextInput
                id={id}
                aria-describedby={d}
                inputMode="decimal"
                {...register("sharePercent", figure(percent(bounds.ZoneSettings.areaShare)))}
              />
            )}
          </Field>
        ) : (
          <Field label={`Area, ${mm2.unit}`} error={formState.errors.ownAreaMm2?.message}>
            {(id, d) => (
              <TextInput
                id={id}
                aria-describedby={d}
                inputMode="decimal"
                {...register("ownAreaMm2", figure(mm2.bound(bounds.ZoneSettings.ownAreaMm2)))}
              />
            )}
          </Field>
        )}
        <Field
          label={`Smallest engraved width, ${mm.unit}`}
          hint="Leave empty where there is none"
          error={formState.errors.detail?.message}
        >
          {(id, d) => (
            <TextInput
              id={id}
              aria-describedby={d}
              inputMode="decimal"
              {...register("detail", figureOrNothing(mm.bound(bounds.ZoneSettings.smallestDetailMm)))}
            />
          )}
        </Field>
        {(
          [
            ["creases", "creaseMm", `Creases on one copy, ${mm.unit}`, "for pin washes; empty to go by area"],
            ["edges", "edgeMm", `Raised edges on one copy, ${mm.unit}`, "for edge highlights; empty to go by area"],
            ["from", "heightFromMm", `From, ${mm.unit} above the foot`, "empty where it does not go by height"],
            ["to", "heightToMm", `To, ${mm.unit} above the foot`, `the piece is ${length(piece.piece.heightMm)} tall`],
          ] as const
        ).map(([name, of, label, hint]) => (
          <Field key={name} label={label} hint={hint} error={formState.errors[name]?.message}>
            {(id, d) => (
              <TextInput
                id={id}
                aria-describedby={d}
                inputMode="decimal"
                {...register(name, figureOrNothing(mm.bound(bounds.ZoneSettings[of])))}
              />
            )}
          </Field>
        ))}
        {(
          [
            ["litPercent", "litEdges", "Edges that face the light, %", "of its raised edges"],
            ["unseenPercent", "unseen", "Out of sight and reach, %", "nothing is painted there"],
          ] as const
        ).map(([name, of, label, hint]) => (
          <Field key={name} label={label} hint={hint} error={formState.errors[name]?.message}>
            {(id, d) => (
              <TextInput
                id={id}
                aria-describedby={d}
                inputMode="decimal"
                {...register(name, figureOrNothing(percent(bounds.ZoneSettings[of])))}
              />
            )}
          </Field>
        ))}
        <Field label="Colour wanted in cracks" hint="#rrggbb, or empty" error={formState.errors.crack?.message}>
          {(id, d) => <TextInput id={id} aria-describedby={d} {...register("crack", colourOrNothing)} />}
        </Field>
        <Field label="Target colour of the face" hint="#rrggbb, or empty" error={formState.errors.hex?.message}>
          {(id, d) => (
            <span className="flex gap-2">
              <input
                type="color"
                aria-label="Pick the target"
                className="h-8 w-11 rounded border border-strong bg-swatch"
                value={/^#[0-9a-f]{6}$/i.test(values.hex) ? values.hex : "#888888"}
                onChange={(e) => setValue("hex", e.target.value)}
              />
              <TextInput id={id} aria-describedby={d} {...register("hex", colourOrNothing)} />
            </span>
          )}
        </Field>
        <Field label="Tolerance, dE" error={formState.errors.tolerance?.message}>
          {(id, d) => (
            <TextInput
              id={id}
              aria-describedby={d}
              inputMode="decimal"
              {...register("tolerance", figure(bounds.ZoneSettings.tolerance))}
            />
          )}
        </Field>
        <Field label="Sheen at the end">
          {(id) => (
            <Choice
              id={id}
              label="Sheen at the end"
              value={values.finish}
              options={choices(sheenWord).filter((o) => o.value !== "velvet")}
              onChange={(v) => setValue("finish", v)}
            />
          )}
        </Field>
        {fitted && (
          <Field label="Painted">
            {(id) => (
              <Choice
                id={id}
                label="Painted before or after fitting"
                value={values.fitting}
                options={choices(fittingWord)}
                onChange={(v) => setValue("fitting", v)}
              />
            )}
          </Field>
        )}
        <div className="flex flex-col justify-end">
          <Toggle label="Area by share of the piece" checked={byShare} onChange={setByShare} />
          <Toggle label="Handled in play" checked={values.handled} onChange={(v) => setValue("handled", v)} />
          <Toggle label="Rim of a base" checked={values.rim} onChange={(v) => setValue("rim", v)} />
          <Toggle label="Has cut edges" checked={values.cutEdges} onChange={(v) => setValue("cutEdges", v)} />
        </div>
      </div>
      {others.length > 0 && (
        <fieldset>
          <legend className="mb-1 text-xs font-semibold text-soft">Touches</legend>
          <div className="flex flex-wrap gap-x-5">
            {others.map((o) => (
              <Toggle
                key={o.id}
                label={o.settings.name}
                checked={values.neighbours.includes(o.id)}
                onChange={(on) =>
                  setValue(
                    "neighbours",
                    on ? [...values.neighbours, o.id] : values.neighbours.filter((n) => n !== o.id),
                  )
                }
              />
            ))}
          </div>
        </fieldset>
      )}
      <MatesField piece={piece} siblings={siblings} mates={values.mates} onChange={(v) => setValue("mates", v)} />
    </FormDialog>
  );
}
