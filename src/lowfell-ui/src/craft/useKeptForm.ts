import { useEffect, useRef } from "react";
import { type DefaultValues, type FieldValues, useForm } from "react-hook-form";
import { draftOf, forgetDraft, keepDraft } from "./useDraft";

const settleMs = 250;

/** What of a form is unlike what it began with; nothing where all is. */
export function changedOf<T extends object>(values: T, start: object): Partial<T> | undefined {
  const before = start as Record<string, unknown>;
  const changed = Object.entries(values).filter(([name, v]) => JSON.stringify(v) !== JSON.stringify(before[name]));
  return changed.length > 0 ? (Object.fromEntries(changed) as Partial<T>) : undefined;
}

/**
 * A form whose input outlives its dialog, the screen and the page, until it is kept or given up. What was typed is kept, not the whole
 * form: what is changed elsewhere meanwhile is not overwritten by what only stood beside it.
 */
export function useKeptForm<T extends FieldValues>(key: string, start: DefaultValues<T>) {
  const before = useRef(draftOf<DefaultValues<T>>(key)).current;
  const form = useForm<T>({ defaultValues: before ? { ...start, ...before } : start });
  const dropped = useRef(false);
  const latest = useRef<T>(undefined);
  const began = useRef(start).current;
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const keep = () => {
      if (!latest.current || dropped.current) return;
      const changed = changedOf(latest.current, began);
      if (changed) keepDraft(key, changed);
      else forgetDraft(key);
    };
    const watching = form.watch((values) => {
      latest.current = values as T;
      clearTimeout(timer);
      timer = setTimeout(keep, settleMs);
    });
    return () => {
      clearTimeout(timer);
      watching.unsubscribe();
      keep();
    };
  }, [form, key, began]);
  return {
    ...form,
    draft: {
      taken: before !== undefined,
      forget: () => {
        dropped.current = true;
        forgetDraft(key);
      },
      anew: () => {
        latest.current = undefined;
        form.reset(start);
        forgetDraft(key);
      },
    },
  };
}

/** What a dialog knows of the draft of its form. */
export type FormDraft = ReturnType<typeof useKeptForm>["draft"];
