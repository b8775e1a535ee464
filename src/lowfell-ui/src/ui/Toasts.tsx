import { Toast } from "radix-ui";
import { useSyncExternalStore } from "react";

interface Note {
  id: number;
  text: string;
  undo?: () => void;
}

let notes: Note[] = [];
let next = 1;
const listeners = new Set<() => void>();

function change(to: Note[]) {
  notes = to;
  for (const listener of listeners) listener();
}

/** Says something in passing, in the place of what was said before, with a way back where there is one. */
export function notify(text: string, undo?: () => void) {
  change([{ id: next++, text, undo }]);
}

/** Where messages are told: in a place of its own, so that nothing is ever under one; the place is the caller's. */
export function Toasts() {
  const shown = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => notes,
  );
  const drop = (id: number) => change(notes.filter((n) => n.id !== id));
  return (
    <Toast.Provider swipeDirection="right" duration={9000} label="Message">
      {shown.map((note) => (
        <Toast.Root
          key={note.id}
          onOpenChange={(open) => !open && drop(note.id)}
          className="toast flex w-full min-w-0 items-center gap-2 text-sm"
        >
          <Toast.Description className="min-w-0 flex-1 leading-tight lg:text-right">{note.text}</Toast.Description>
          {note.undo && (
            <Toast.Action
              altText="Undo"
              className="min-h-7 shrink-0 rounded border border-strong bg-raised px-2 font-semibold hover:bg-tint"
              onClick={note.undo}
            >
              Undo
            </Toast.Action>
          )}
        </Toast.Root>
      ))}
      <Toast.Viewport className="flex items-center" />
    </Toast.Provider>
  );
}
