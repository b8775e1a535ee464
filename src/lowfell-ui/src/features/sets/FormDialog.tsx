import { type ReactNode, useState } from "react";
import { wording } from "../../api/client";
import type { FormDraft } from "../../craft/useKeptForm";
import { Button, Dialog } from "../../ui";

interface Props {
  title: string;
  description?: string;
  onClose: () => void;
  /** Reached through the form library, so that faults of the fields come first. */
  submit: (save: (work: () => Promise<unknown>) => Promise<void>) => (e: React.FormEvent) => unknown;
  /** Of its input, which stays until it is kept or given up. */
  draft: FormDraft;
  children: ReactNode;
}

/** A form in a dialog: what the server refuses is shown, and what was typed stays. */
export function FormDialog({ title, description, onClose, submit, draft, children }: Props) {
  const [taken, setTaken] = useState(draft.taken);
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const save = async (work: () => Promise<unknown>) => {
    setBusy(true);
    try {
      await work();
      draft.forget();
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
        {taken && (
          <p role="status" className="flex items-center gap-2 rounded bg-tint px-2 py-1 text-sm">
            <span className="flex-1">Taken up where you left it.</span>
            <Button
              look="quiet"
              onClick={() => {
                draft.anew();
                setTaken(false);
              }}
            >
              Start again
            </Button>
          </p>
        )}
        {children}
        {fault && (
          <p role="alert" className="text-sm font-semibold text-stop">
            {fault}
          </p>
        )}
        <div className="mt-1 flex justify-end gap-2">
          <Button
            onClick={() => {
              draft.forget();
              onClose();
            }}
          >
            Cancel
          </Button>
          <Button look="main" type="submit" disabled={busy}>
            Keep
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
