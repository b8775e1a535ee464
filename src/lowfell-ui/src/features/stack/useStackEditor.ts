import { useCallback, useEffect, useReducer, useRef, useState } from "react";
import { stackKept } from "../../api/changes";
import { api, ask, Problem, wording } from "../../api/client";
import type { Coat, Scheme } from "../../api/types";
import { suspectConnection } from "../../api/queries";
import { historyOf, historyReducer, keepHistory } from "./history";

export type SaveState =
  | { kind: "saved" }
  | { kind: "saving" }
  | { kind: "waiting"; why: string }
  | { kind: "refused"; why: string }
  | { kind: "conflict"; theirs: Scheme };

const saveDelayMs = 350;
const retryMs = 2_000;
const keepKey = (schemeId: string) => `lowfell.unsaved.${schemeId}`;

/** The stack as it is being edited: undo and redo over the whole of it, kept by itself, with its state told. */
export function useStackEditor(scheme: Scheme) {
  const [left] = useState(() => unsaved(scheme));
  const [history, dispatch] = useReducer(historyReducer, null, () => historyOf(scheme.id, left?.coats ?? scheme.coats));
  const [save, setSave] = useState<SaveState>({ kind: "saved" });
  // What was left behind goes out under the version it was made on: if the stack has changed since, the painter is asked.
  const version = useRef(left?.version ?? scheme.version);
  const kept = useRef(JSON.stringify(scheme.coats));
  const busy = useRef(false);
  const latest = useRef(history.present);
  latest.current = history.present;

  const send = useCallback(async () => {
    if (busy.current) return;
    const coats = latest.current;
    const body = JSON.stringify(coats);
    if (body === kept.current) {
      localStorage.removeItem(keepKey(scheme.id));
      setSave({ kind: "saved" });
      return;
    }
    busy.current = true;
    setSave({ kind: "saving" });
    try {
      const answer = await ask(
        api.PUT("/api/schemes/{id}/stack", {
          params: { path: { id: scheme.id } },
          body: { version: version.current, coats },
        }),
      );
      version.current = answer.version;
      kept.current = body;
      stackKept(scheme.id, answer.version, coats);
      busy.current = false;
      await send();
    } catch (error) {
      busy.current = false;
      if (!(error instanceof Problem)) throw error;
      if (error.status === 409) setSave({ kind: "conflict", theirs: (error.body as { current: Scheme }).current });
      else if (error.passing) {
        suspectConnection();
        setSave({ kind: "waiting", why: error.message });
      } else setSave({ kind: "refused", why: wording(error) });
    }
  }, [scheme.id]);

  useEffect(() => {
    if (JSON.stringify(history.present) === kept.current) {
      if (!busy.current) void send();
      return;
    }
    localStorage.setItem(keepKey(scheme.id), JSON.stringify({ version: version.current, coats: history.present }));
    setSave((state) => (state.kind === "conflict" ? state : { kind: "saving" }));
    const timer = setTimeout(() => void send(), saveDelayMs);
    return () => clearTimeout(timer);
  }, [history.present, scheme.id, send]);

  // Off the way of the keystroke, yet before the page is left.
  useEffect(() => {
    const keep = () => keepHistory(scheme.id, history);
    const timer = setTimeout(keep, saveDelayMs);
    window.addEventListener("pagehide", keep);
    return () => {
      clearTimeout(timer);
      window.removeEventListener("pagehide", keep);
    };
  }, [history, scheme.id]);

  useEffect(() => {
    if (save.kind !== "waiting") return;
    const timer = setTimeout(() => void send(), retryMs);
    return () => clearTimeout(timer);
  }, [save, send]);

  // Changed elsewhere while nothing here waits to be kept: taken over as one step, so that what was here is one undo away.
  useEffect(() => {
    if (scheme.version <= version.current || busy.current || JSON.stringify(latest.current) !== kept.current) return;
    version.current = scheme.version;
    kept.current = JSON.stringify(scheme.coats);
    dispatch({ kind: "set", coats: scheme.coats });
  }, [scheme.version, scheme.coats]);

  const settle = useCallback(
    (keep: "mine" | "theirs", theirs: Scheme) => {
      version.current = theirs.version;
      kept.current = JSON.stringify(theirs.coats);
      const mine = latest.current;
      // Theirs becomes a step of the history either way, so that the stack not chosen is one undo away.
      dispatch({ kind: "set", coats: theirs.coats });
      setSave({ kind: "saving" });
      if (keep === "mine") {
        dispatch({ kind: "set", coats: mine });
        void send();
      }
    },
    [send],
  );

  const now = useRef(history);
  now.current = history;
  useEffect(() => () => keepHistory(scheme.id, now.current), [scheme.id]);

  return {
    coats: history.present,
    /** Sends at once what waits to be kept. */
    keepNow: useCallback(() => void send(), [send]),
    save,
    settle,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    edit: useCallback((coats: Coat[]) => dispatch({ kind: "set", coats }), []),
    /** Edits of one field in a row fold into one step of undo. */
    editField: useCallback((coats: Coat[], field: string) => dispatch({ kind: "set", coats, field }), []),
    undo: useCallback(() => dispatch({ kind: "undo" }), []),
    redo: useCallback(() => dispatch({ kind: "redo" }), []),
  };
}

// A change that could not be sent before the page was closed.
function unsaved(scheme: Scheme): { version: number; coats: Coat[] } | null {
  const text = localStorage.getItem(keepKey(scheme.id));
  if (!text) return null;
  try {
    const left = JSON.parse(text) as { version: number; coats: Coat[] };
    return JSON.stringify(left.coats) === JSON.stringify(scheme.coats) ? null : left;
  } catch {
    localStorage.removeItem(keepKey(scheme.id));
    return null;
  }
}
