import { useEffect, useRef } from "react";
import { type DefaultValues, type FieldValues, useForm } from "react-hook-form";
import { draftOf, forgetDraft, keepDraft } from "./useDraft";

const settleMs = 250;

/** A form whose input outlives its dialog, the screen and the page, until it is kept or given up. */
export function useKeptForm<T extends FieldValues>(key: string, start: DefaultValues<T>) {
  const before = useRef(draftOf<DefaultValues<T>>(key)).current;
  const form = useForm<T>({ defaultValues: before ? { ...start, ...before } : start });
  const dropped = useRef(false);
  const latest = useRef<T>(undefined);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const watching = form.watch((values) => {
      if (dropped.current) return;
      latest.current = values as T;
      clearTimeout(timer);
      timer = setTimeout(() => keepDraft(key, values), settleMs);
    });
    return () => {
      clearTimeout(timer);
      watching.unsubscribe();
      if (latest.current && !dropped.current) keepDraft(key, latest.current);
    };
  }, [form, key]);
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
