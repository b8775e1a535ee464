import { useForm } from "react-hook-form";
import type { SetDraft, SetView } from "../../api/types";
import { number } from "../../api/words";
import { Field, TextInput } from "../../ui";
import { FormDialog } from "./FormDialog";
import { nameRule } from "./nameRule";

const scales = { least: 1, most: 1000 };
const viewing = { least: 0.1, most: 10 };

/** A set: its name, its scale, and from how far it is looked at. */
export function SetDialog({
  set,
  onClose,
  onSave,
}: {
  set?: SetView;
  onClose: () => void;
  onSave: (draft: SetDraft) => Promise<void>;
}) {
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { name: set?.name ?? "", scale: set?.scale ?? 56, viewingM: (set?.viewingMm ?? 1000) / 1000 },
  });
  const within = ({ least, most }: typeof scales, unit: string) => ({
    valueAsNumber: true,
    validate: (v: number) => (v >= least && v <= most) || `${number(least)} to ${number(most)}${unit}`,
  });
  return (
    <FormDialog
      title={set ? "Edit the set" : "New set"}
      onClose={onClose}
      submit={(save) =>
        handleSubmit((v) =>
          save(() => onSave({ name: v.name, scale: v.scale, viewingMm: Math.round(v.viewingM * 1000) })),
        )
      }
    >
      <Field label="Name" error={formState.errors.name?.message}>
        {(id, described) => (
          <TextInput id={id} aria-describedby={described} autoFocus {...register("name", nameRule)} />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Scale, 1 to" hint="56 for 28 mm figures" error={formState.errors.scale?.message}>
          {(id, d) => (
            <TextInput id={id} aria-describedby={d} inputMode="decimal" {...register("scale", within(scales, ""))} />
          )}
        </Field>
        <Field label="Looked at from, m" hint="what has to read from there" error={formState.errors.viewingM?.message}>
          {(id, d) => (
            <TextInput
              id={id}
              aria-describedby={d}
              inputMode="decimal"
              {...register("viewingM", within(viewing, " m"))}
            />
          )}
        </Field>
      </div>
    </FormDialog>
  );
}
