import { type ReactNode, useState } from "react";
import { wording } from "../../api/client";
import { Button, Dialog } from "../../ui";

interface Props {
  title: string;
  description?: string;
  onClose: () => void;
  /** Reached through the form library, so that faults of the fields come first. */
  submit: (save: (work: () => Promise<void>) => Promise<void>) => (e: React.FormEvent) => unknown;
  children: ReactNode;
}

/** A form in a dialog: what the server refuses is shown, and what was typed stays. */
export function FormDialog({ title, description, onClose, submit, children }: Props) {
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const save = async (work: () => Promise<void>) => {
    setBusy(true);
    try {
      await work();
      onClose();
    } catch (error) {
      setFault(wording(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <Dialog open title={title} description={description} onClose={onClose}>
      <form noValidate onSubmit={(e) => void submit(save)(e)} className="flex flex-col gap-3">
        {children}
        {fault && (
          <p role="alert" className="text-sm font-semibold text-stop">
            {fault}
          </p>
        )}
        <div className="mt-1 flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" disabled={busy}>
            Keep
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
