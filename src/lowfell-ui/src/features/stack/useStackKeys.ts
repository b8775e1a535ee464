import { useEffect, useRef } from "react";
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
  mend: () => void;
  mendAll: () => void;
}

/** The keys of the stack. Up on the screen is up in the stack. */
export function useStackKeys(keys: Keys) {
  const latest = useRef(keys);
  latest.current = keys;
  useEffect(() => {
    function onKey(e: KeyboardEvent) {
      if (typing(e) || e.ctrlKey || e.metaKey) return;
      const k = latest.current;
      const act: Record<string, () => void> = e.altKey
        ? { ArrowUp: () => k.shift(1), ArrowDown: () => k.shift(-1) }
        : {
            j: () => k.select(Math.max(0, k.index - 1)),
            k: () => k.select(Math.min(k.count - 1, k.index + 1)),
            n: () => k.insert(false),
            b: () => k.insert(true),
            d: k.duplicate,
            x: k.skip,
            m: k.mend,
            M: k.mendAll,
            z: k.undo,
            Z: k.redo,
            Delete: k.remove,
            e: () => document.getElementById("coat-technique")?.focus(),
          };
      const run = act[e.key];
      if (!run) return;
      e.preventDefault();
      run();
    }
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
