import { type Dispatch, type SetStateAction, useCallback, useEffect, useRef, useState } from "react";

const prefix = "lowfell.draft.";
const settleMs = 250;

/** What was typed and not kept yet, as it was left. */
export function draftOf<T>(key: string): T | undefined {
  try {
    const text = localStorage.getItem(prefix + key);
    return text === null ? undefined : (JSON.parse(text) as T);
  } catch {
    return undefined;
  }
}

export function keepDraft(key: string, value: unknown) {
  try {
    localStorage.setItem(prefix + key, JSON.stringify(value));
  } catch {
    // Without room for it the draft lasts as long as the screen does.
  }
}

export const forgetDraft = (key: string) => localStorage.removeItem(prefix + key);

/** A value that outlives its dialog, its screen and the page until it is kept or given up. */
export function useDraft<T>(key: string, start: T | (() => T)): [T, Dispatch<SetStateAction<T>>, () => void] {
  const [value, setValue] = useState<T>(
    () => draftOf<T>(key) ?? (typeof start === "function" ? (start as () => T)() : start),
  );
  const latest = useRef(value);
  const touched = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const set = useCallback(
    (change: SetStateAction<T>) => {
      const next = typeof change === "function" ? (change as (before: T) => T)(latest.current) : change;
      latest.current = next;
      touched.current = true;
      setValue(next);
      clearTimeout(timer.current);
      timer.current = setTimeout(() => keepDraft(key, next), settleMs);
    },
    [key],
  );
  const forget = useCallback(() => {
    touched.current = false;
    clearTimeout(timer.current);
    forgetDraft(key);
  }, [key]);
  useEffect(
    () => () => {
      clearTimeout(timer.current);
      if (touched.current) keepDraft(key, latest.current);
    },
    [key],
  );
  return [value, set, forget];
}
