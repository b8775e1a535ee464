import { bounds } from "../../api/bounds";
import { useKeptForm } from "../../craft/useKeptForm";
import type { PieceDraft, PieceView } from "../../api/types";
import { choices, shapeWord, substrateWord } from "../../api/words";
import { Choice, Field, figure, inUnit, nameOf, own, TextInput, Toggle } from "../../ui";
import { type Size, shapes, unitOf } from "./shapes";
import { FormDialog } from "./FormDialog";

const usual: PieceDraft = {
  name: "",
  kind: "",
  substrate: "polystyrene",
  shape: "box",
  lengthMm: 100,
  widthMm: 50,
  heightMm: 50,
  freeAreaMm2: 5000,
  copies: 1,
  fitMin: 5,
  glueMin: 60,
  liesFlat: false,
};

const alone = "alone";

const sizes: Size[] = ["lengthMm", "widthMm", "heightMm", "freeAreaMm2"];

/** A piece with its sizes in the painter's own units. */
const inOwn = (draft: PieceDraft): PieceDraft => ({
  ...draft,
  ...Object.fromEntries(sizes.map((s) => [s, own(unitOf(s)).show(draft[s])])),
});

/** And back, the sizes that nobody touched to the last digit. */
const keptOf = (typed: PieceDraft, was: PieceDraft): PieceDraft => ({
  ...typed,
  ...Object.fromEntries(sizes.map((s) => [s, own(unitOf(s)).kept(typed[s], was[s])])),
});

/** A piece: what it is, how large, and what it is fitted on. */
export function PieceDialog({
  setId,
  piece,
  siblings,
  onClose,
  onSave,
}: {
  setId: string;
  piece?: PieceView;
  /** The pieces of its set. */
  siblings: PieceView[];
  onClose: () => void;
  onSave: (draft: PieceDraft) => Promise<unknown>;
}) {
  const start = piece?.piece ?? usual;
  const { register, handleSubmit, formState, watch, setValue, draft } = useKeptForm<PieceDraft>(
    inUnit(`piece ${piece?.id ?? `new in ${setId}`}`),
    inOwn(start),
  );
  const shape = shapes.find((s) => s.value === watch("shape")) ?? shapes[0]!;
  const host = watch("partOfId");
  const hosts = siblings.filter((s) => s.id !== piece?.id && !s.piece.partOfId);
  return (
    <FormDialog
      title={piece ? "Edit the piece" : "New piece"}
      draft={draft}
      onClose={onClose}
      submit={(save) => handleSubmit((v) => save(() => onSave(keptOf(v, start))))}
    >
      <div className="grid grid-cols-[1fr_10.5rem] gap-3">
        <Field label="Name" error={formState.errors.name?.message}>
          {(id, d) => (
            <TextInput id={id} aria-describedby={d} autoFocus {...register("name", nameOf(bounds.PieceDraft.name))} />
          )}
        </Field>
        <Field label="Copies" error={formState.errors.copies?.message}>
          {(id, d) => (
            <TextInput
              id={id}
              aria-describedby={d}
              inputMode="numeric"
              {...register("copies", figure(bounds.PieceDraft.copies, true))}
            />
          )}
        </Field>
        <Field label="Kind" hint="Wall, building, vehicle, base…">
          {(id) => <TextInput id={id} {...register("kind", bounds.PieceDraft.kind)} />}
        </Field>
        <Field label="Substrate">
          {(id) => (
            <Choice
              id={id}
              label="Substrate"
              value={watch("substrate")}
              options={choices(substrateWord)}
              onChange={(v) => setValue("substrate", v)}
            />
          )}
        </Field>
      </div>
      <div className="grid grid-cols-2 items-start gap-3 sm:grid-cols-[12rem_repeat(3,minmax(0,1fr))]">
        <Field label="Shape">
          {(id) => (
            <Choice
              id={id}
              label="Shape"
              value={shape.value}
              options={choices(shapeWord)}
              onChange={(v) => setValue("shape", v)}
            />
          )}
        </Field>
        {shape.sizes.map(([key, label]) => (
          <Field key={key} label={`${label}, ${own(unitOf(key)).unit}`} error={formState.errors[key]?.message}>
            {(id, d) => (
              <TextInput
                id={id}
                aria-describedby={d}
                inputMode="decimal"
                {...register(key, figure(own(unitOf(key)).bound(bounds.PieceDraft[key])))}
              />
            )}
          </Field>
        ))}
      </div>
      <Toggle
        label="It lies flat while it is painted"
        hint="what goes all round is then planned as two sides, with a turn between"
        checked={watch("liesFlat")}
        onChange={(on) => setValue("liesFlat", on, { shouldDirty: true })}
      />
      {hosts.length > 0 && (
        <div className="grid grid-cols-[1fr_8rem_8rem] items-start gap-3">
          <Field label="Painted apart, then fitted on">
            {(id) => (
              <Choice
                id={id}
                label="Painted apart, then fitted on"
                value={host ?? alone}
                options={[
                  { value: alone, label: "nothing: it stands alone" },
                  ...hosts.map((h) => ({ value: h.id, label: h.piece.name })),
                ]}
                onChange={(v) => setValue("partOfId", v === alone ? undefined : v)}
              />
            )}
          </Field>
          {host && (
            <>
              <Field label="Fitting one, min" error={formState.errors.fitMin?.message}>
                {(id, d) => (
                  <TextInput
                    id={id}
                    aria-describedby={d}
                    inputMode="decimal"
                    {...register("fitMin", figure(bounds.PieceDraft.fitMin))}
                  />
                )}
              </Field>
              <Field label="Glue holds after, min" error={formState.errors.glueMin?.message}>
                {(id, d) => (
                  <TextInput
                    id={id}
                    aria-describedby={d}
                    inputMode="decimal"
                    {...register("glueMin", figure(bounds.PieceDraft.glueMin))}
                  />
                )}
              </Field>
            </>
          )}
        </div>
      )}
    </FormDialog>
  );
}
