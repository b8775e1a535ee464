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

/** Says something in passing, with a way back where there is one. */
export function notify(text: string, undo?: () => void) {
  change([...notes.slice(-2), { id: next++, text, undo }]);
}

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
    <Toast.Provider swipeDirection="right" duration={9000}>
      {shown.map((note) => (
        <Toast.Root
          key={note.id}
          onOpenChange={(open) => !open && drop(note.id)}
          className="toast flex items-center gap-3 rounded border border-strong bg-raised px-4 py-2 text-sm shadow-lg"
        >
          <Toast.Description>{note.text}</Toast.Description>
          {note.undo && (
            <Toast.Action
              altText="Undo"
              className="rounded border border-strong px-2 py-1 font-semibold hover:bg-tint"
              onClick={note.undo}
            >
              Undo
            </Toast.Action>
          )}
        </Toast.Root>
      ))}
      <Toast.Viewport className="fixed right-4 bottom-4 z-60 flex w-96 max-w-[90vw] flex-col gap-2" />
    </Toast.Provider>
  );
}
