/** What a key of the stack does. */
export type StackAct =
  | "down"
  | "up"
  | "moveDown"
  | "moveUp"
  | "insert"
  | "barrier"
  | "duplicate"
  | "skip"
  | "remove"
  | "mend"
  | "mendAll"
  | "edit"
  | "undo"
  | "redo"
  | "keep";

interface StackKeys {
  /** Keys as the browser calls them, with what each does. */
  keys: Partial<Record<string, StackAct>>;
  /** With Alt held. */
  alt?: boolean;
  /** With Ctrl (or Cmd) held. */
  ctrl?: boolean;
  /** As they are shown. */
  shown: string;
  what: string;
}

/** The keys of the stack, once: what they do, and how the list of keys shows them. Up on the screen is up in the stack. */
export const stackKeys: StackKeys[] = [
  { keys: { j: "down", k: "up" }, shown: "j / k", what: "Next coat down, up" },
  {
    keys: { ArrowDown: "moveDown", ArrowUp: "moveUp" },
    alt: true,
    shown: "Alt + ↓ / ↑",
    what: "Move the coat down, up",
  },
  { keys: { n: "insert" }, shown: "n", what: "New coat above this one" },
  { keys: { b: "barrier" }, shown: "b", what: "Barrier above this one" },
  { keys: { d: "duplicate" }, shown: "d", what: "Duplicate" },
  { keys: { x: "skip" }, shown: "x", what: "Skip, or take back in" },
  { keys: { Delete: "remove" }, shown: "Delete", what: "Remove" },
  { keys: { m: "mend", M: "mendAll" }, shown: "m / Shift + m", what: "Mend the finding, mend all" },
  { keys: { e: "edit" }, shown: "e", what: "Edit the coat" },
  { keys: { z: "undo", Z: "redo" }, shown: "z / Shift + z", what: "Undo, redo" },
  { keys: { z: "undo", Z: "redo", y: "redo" }, ctrl: true, shown: "Ctrl + z / Shift + z", what: "Undo, redo" },
  { keys: { s: "keep" }, ctrl: true, shown: "Ctrl + s", what: "Keep now; it is kept by itself too" },
];

/** What a key press does in the stack; nothing for most. */
export const stackAct = (e: Pick<KeyboardEvent, "key" | "altKey" | "ctrlKey" | "metaKey">): StackAct | undefined =>
  stackKeys.find(
    (k) => Boolean(k.alt) === e.altKey && Boolean(k.ctrl) === (e.ctrlKey || e.metaKey) && k.keys[e.key] !== undefined,
  )?.keys[e.key];
