import { bounds } from "../../api/bounds";
import type { PieceView } from "../../api/types";
import { length } from "../../api/units";
import { choices, facingWord, fittingWord, sheenWord } from "../../api/words";
import {
  Choice,
  colourOrNothing,
  Field,
  figure,
  figureOrNothing,
  isColour,
  own,
  percent,
  TextInput,
  Toggle,
} from "../../ui";
import type { ZoneForm, ZoneFormed } from "./zoneForm";

/** What most zones do well without: the rest of what a zone can tell. */
export function ZoneMore({
  piece,
  fitted,
  values,
  form: { register, setValue, formState },
}: {
  piece: PieceView;
  /** Something is fitted on the piece, or it is fitted on another. */
  fitted: boolean;
  values: ZoneForm;
  form: ZoneFormed;
}) {
  const mm = own("mm");
  return (
    <div className="grid grid-cols-2 gap-3">
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
      {(
        [
          ["hexRecess", "Target colour of the recess"],
          ["hex", "Target colour of the face"],
          ["hexEdge", "Target colour of the edge"],
        ] as const
      ).map(([name, label]) => (
        <Field key={name} label={label} hint="#rrggbb, or empty" error={formState.errors[name]?.message}>
          {(id, d) => (
            <span className="flex gap-2">
              <input
                type="color"
                aria-label={`Pick: ${label.toLowerCase()}`}
                className="h-8 w-11 rounded border border-strong bg-swatch"
                value={isColour(values[name]) ? values[name] : "#888888"}
                onChange={(e) => setValue(name, e.target.value)}
              />
              <TextInput id={id} aria-describedby={d} {...register(name, colourOrNothing)} />
            </span>
          )}
        </Field>
      ))}
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
        <Toggle label="Handled in play" checked={values.handled} onChange={(v) => setValue("handled", v)} />
        <Toggle label="Rim of a base" checked={values.rim} onChange={(v) => setValue("rim", v)} />
        <Toggle label="Has cut edges" checked={values.cutEdges} onChange={(v) => setValue("cutEdges", v)} />
      </div>
    </div>
  );
}
