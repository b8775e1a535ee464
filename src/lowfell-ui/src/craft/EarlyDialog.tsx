import { Dialog } from "../ui";
import { bigKey } from "../ui/bigKey";

interface Props {
  minutes: number;
  /** What is laid too soon. */
  what: string;
  onWait: () => void;
  onLay: () => void;
}

/** The film below has not had its wait: nothing is written down before the painter says so. */
export function EarlyDialog({ minutes, what, onWait, onLay }: Props) {
  return (
    <Dialog
      open
      title={`${minutes} ${minutes === 1 ? "minute" : "minutes"} early: lay it all the same?`}
      description={`What is below still has to dry before the ${what}.`}
      onClose={onWait}
    >
      <div className="grid grid-cols-2 gap-3">
        <button type="button" autoFocus className={`${bigKey} border-accent bg-accent text-on-accent`} onClick={onWait}>
          Wait
        </button>
        <button type="button" className={`${bigKey} border-strong bg-raised`} onClick={onLay}>
          Lay it all the same
        </button>
      </div>
    </Dialog>
  );
}
