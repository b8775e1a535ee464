import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useKeptForm } from "../../craft/useKeptForm";
import type { PieceView, ZoneSettings, ZoneView } from "../../api/types";
import { area, choices, reliefWord } from "../../api/words";
import { Choice, Field, figure, nameOf, inUnit, own, percent, TextInput, Toggle } from "../../ui";
import { FormDialog } from "./FormDialog";
import { PictureChoice, ReliefPicture, SharePicture, shares } from "./PictureChoice";
import { MatesField } from "./MatesField";
import { settingsOf, startOf, tellsMore, typedOf, type ZoneForm } from "./zoneForm";
import { ZoneMore } from "./ZoneMore";

/** A zone: its name, its texture and its share; what else it can tell folds away. */
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
  const start = startOf(piece, zone);
  const mm2 = own("mm²");
  const form = useKeptForm<ZoneForm>(inUnit(`zone ${zone?.id ?? `new on ${piece.id}`}`), typedOf(start));
  const { register, handleSubmit, formState, watch, setValue, draft } = form;
  const [byShare, setByShare] = useState(start.ownAreaMm2 == null);
  const [more, setMore] = useState(tellsMore(start));
  const schemes = useQuery({ ...queries.schemes(), staleTime: 0 });
  const values = watch();
  const others = piece.zones.filter((z) => z.id !== zone?.id);
  const { name: _name, sharePercent: _share, ownAreaMm2: _area, ...hidden } = formState.errors;
  return (
    <FormDialog
      title={zone ? "Edit the zone" : `New zone on ${piece.piece.name}`}
      draft={draft}
      onClose={onClose}
      submit={(save) => handleSubmit((v) => save(() => onSave(settingsOf(v, start, byShare))))}
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
      </div>
      <PictureChoice
        label="Texture"
        value={values.relief}
        options={choices(reliefWord).map((o) => ({ ...o, picture: <ReliefPicture relief={o.value} /> }))}
        onChange={(v) => setValue("relief", v)}
      />
      {byShare && (
        <PictureChoice
          label={`How much of the piece (${area(piece.areaMm2)})?`}
          value={String(values.sharePercent)}
          options={shares.map((s) => ({
            value: String(s.percent),
            label: s.word,
            picture: <SharePicture percent={s.percent} />,
          }))}
          onChange={(v) => setValue("sharePercent", Number(v))}
        />
      )}
      <div className="grid grid-cols-2 items-end gap-3">
        {byShare ? (
          <Field label={"Share of the piece, %"} error={formState.errors.sharePercent?.message}>
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
        <Toggle label="Area by share of the piece" checked={byShare} onChange={setByShare} />
      </div>
      <details
        open={more || Object.keys(hidden).length > 0}
        onToggle={(e) => setMore(e.currentTarget.open)}
        className="border-t border-line pt-2"
      >
        <summary className="cursor-pointer text-sm font-semibold">More about this zone</summary>
        <div className="mt-3 flex flex-col gap-3">
          <ZoneMore piece={piece} fitted={fitted} values={values} form={form} />
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
        </div>
      </details>
    </FormDialog>
  );
}
