import { useEffect, useRef } from "react";
import { type StackAct, stackAct } from "../../craft/stackKeys";
import { typing } from "../../ui/typing";

interface Keys {
  index: number;
  count: number;
  select: (index: number) => void;
  insert: (barrier: boolean) => void;
  duplicate: () => void;
  remove: () => void;
  skip: () => void;
  shift: (by: number) => void;
  undo: () => void;
  redo: () => void;
  keep: () => void;
  mend: () => void;
  mendAll: () => void;
}

/** Listens for the keys of the stack. */
export function useStackKeys(keys: Keys) {
  const latest = useRef(keys);
  latest.current = keys;
  useEffect(() => {
    function onKey(e: KeyboardEvent) {
      // In a field Ctrl + z is the field’s own; Ctrl + s is never the browser’s.
      const act = stackAct(e);
      const what = act !== "keep" && typing(e) ? undefined : act;
      if (!what) return;
      const k = latest.current;
      const acts: Record<StackAct, () => void> = {
        down: () => k.select(Math.max(0, k.index - 1)),
        up: () => k.select(Math.min(k.count - 1, k.index + 1)),
        moveDown: () => k.shift(-1),
        moveUp: () => k.shift(1),
        insert: () => k.insert(false),
        barrier: () => k.insert(true),
        duplicate: k.duplicate,
        skip: k.skip,
        remove: k.remove,
        mend: k.mend,
        mendAll: k.mendAll,
        edit: () => document.getElementById("coat-technique")?.focus(),
        undo: k.undo,
        redo: k.redo,
        keep: k.keep,
      };
      e.preventDefault();
      acts[what]();
    }
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
