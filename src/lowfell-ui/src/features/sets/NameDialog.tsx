import { useForm } from "react-hook-form";
import type { SetView } from "../../api/types";
import { Field, TextInput } from "../../ui";
import { FormDialog } from "./FormDialog";

export function NameDialog({
  set,
  onClose,
  onSave,
}: {
  set?: SetView;
  onClose: () => void;
  onSave: (name: string) => Promise<void>;
}) {
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { name: set?.name ?? "" },
  });
  return (
    <FormDialog
      title={set ? "Rename the set" : "New set"}
      onClose={onClose}
      submit={(save) => handleSubmit((v) => save(() => onSave(v.name)))}
    >
      <Field label="Name" error={formState.errors.name?.message}>
        {(id, described) => (
          <TextInput id={id} aria-describedby={described} autoFocus {...register("name", nameRule)} />
        )}
      </Field>
    </FormDialog>
  );
}

export const nameRule = {
  required: "A name is needed.",
  maxLength: { value: 120, message: "120 characters are the most." },
  validate: (v: string) => v.trim() !== "" || "A name is needed.",
};
