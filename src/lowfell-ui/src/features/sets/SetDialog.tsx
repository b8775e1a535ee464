import { bounds } from "../../api/bounds";
import { useKeptForm } from "../../craft/useKeptForm";
import type { SetDraft, SetView } from "../../api/types";
import { Field, figure, inUnits, nameOf, TextInput } from "../../ui";
import { FormDialog } from "./FormDialog";

/** A set: its name, its scale, and from how far it is looked at. */
export function SetDialog({
  set,
  onClose,
  onSave,
}: {
  set?: Pick<SetView, "id" | "name" | "scale" | "viewingMm" | "readyBy">;
  onClose: () => void;
  onSave: (draft: SetDraft) => Promise<unknown>;
}) {
  const { register, handleSubmit, formState, draft } = useKeptForm(`set ${set?.id ?? "new"}`, {
    name: set?.name ?? "",
    scale: set?.scale ?? 56,
    viewingM: (set?.viewingMm ?? 1000) / 1000,
    readyBy: set?.readyBy ?? "",
  });
  return (
    <FormDialog
      title={set ? "Edit the set" : "New set"}
      draft={draft}
      onClose={onClose}
      submit={(save) =>
        handleSubmit((v) =>
          save(() =>
            onSave({
              name: v.name,
              scale: v.scale,
              viewingMm: Math.round(v.viewingM * 1000),
              readyBy: v.readyBy || undefined,
            }),
          ),
        )
      }
    >
      <Field label="Name" error={formState.errors.name?.message}>
        {(id, described) => (
          <TextInput
            id={id}
            aria-describedby={described}
            autoFocus
            {...register("name", nameOf(bounds.SetDraft.name))}
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Scale, 1 to" hint="56 for 28 mm figures" error={formState.errors.scale?.message}>
          {(id, d) => (
            <TextInput
              id={id}
              aria-describedby={d}
              inputMode="decimal"
              {...register("scale", figure(bounds.SetDraft.scale))}
            />
          )}
        </Field>
        <Field label="Looked at from, m" hint="what has to read from there" error={formState.errors.viewingM?.message}>
          {(id, d) => (
            <TextInput
              id={id}
              aria-describedby={d}
              inputMode="decimal"
              {...register("viewingM", figure(inUnits(bounds.SetDraft.viewingMm, 1 / 1000, "m")))}
            />
          )}
        </Field>
        <Field label="Ready by" hint="the plan keeps it, or says what would have to go; empty for no day">
          {(id, d) => <TextInput id={id} aria-describedby={d} type="date" {...register("readyBy")} />}
        </Field>
      </div>
    </FormDialog>
  );
}
