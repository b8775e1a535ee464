import type { Coat } from "../../api/types";

export interface History {
  past: Coat[][];
  present: Coat[];
  future: Coat[][];
  field: string | null;
}

export type HistoryAction = { kind: "set"; coats: Coat[]; field?: string } | { kind: "undo" } | { kind: "redo" };

const longest = 200;

export const startHistory = (coats: Coat[]): History => ({
  past: [],
  present: coats,
  future: [],
  field: null,
});

/** Undo and redo over the whole stack; a run of edits in one field is one step. */
export function historyReducer(state: History, action: HistoryAction): History {
  switch (action.kind) {
    case "set": {
      if (action.coats === state.present) return state;
      const folds = action.field !== undefined && action.field === state.field && state.future.length === 0;
      const past = folds ? state.past : [...state.past, state.present].slice(-longest);
      return { past, present: action.coats, future: [], field: action.field ?? null };
    }
    case "undo": {
      const before = state.past.at(-1);
      return before
        ? {
            past: state.past.slice(0, -1),
            present: before,
            future: [state.present, ...state.future],
            field: null,
          }
        : state;
    }
    case "redo": {
      const after = state.future[0];
      return after
        ? {
            past: [...state.past, state.present],
            present: after,
            future: state.future.slice(1),
            field: null,
          }
        : state;
    }
  }
}

const key = (schemeId: string) => `lowfell.undo.${schemeId}`;
const mostKept = 40;

/** Keeps the steps of undo for as long as the tab lives, over a reload. */
export function keepHistory(schemeId: string, { past, present, future }: History) {
  try {
    const text = JSON.stringify({ past: past.slice(-mostKept), present, future: future.slice(0, mostKept) });
    sessionStorage.setItem(key(schemeId), text);
  } catch {
    // Without room for it undo lasts as long as the page does.
  }
}

/** The history as it was kept, if the stack still is what it was then; else one that begins now. */
export function historyOf(schemeId: string, coats: Coat[]): History {
  try {
    const kept = JSON.parse(sessionStorage.getItem(key(schemeId)) ?? "null") as Omit<History, "field"> | null;
    if (kept && JSON.stringify(kept.present) === JSON.stringify(coats)) return { ...kept, present: coats, field: null };
  } catch {
    sessionStorage.removeItem(key(schemeId));
  }
  return startHistory(coats);
}
