import { describe, expect, it } from "vitest";
import { coat } from "../../test/samples";
import { historyReducer, startHistory } from "./history";

const [a, b, c] = [[coat("a")], [coat("b")], [coat("c")]];

describe("undo over the whole stack", () => {
  it("goes back and forth through every step", () => {
    let state = historyReducer(historyReducer(startHistory(a), { kind: "set", coats: b }), {
      kind: "set",
      coats: c,
    });
    state = historyReducer(state, { kind: "undo" });
    expect(state.present).toBe(b);
    state = historyReducer(state, { kind: "undo" });
    expect(state.present).toBe(a);
    expect(historyReducer(state, { kind: "undo" })).toBe(state);
    state = historyReducer(historyReducer(state, { kind: "redo" }), { kind: "redo" });
    expect(state.present).toBe(c);
    expect(historyReducer(state, { kind: "redo" })).toBe(state);
  });

  it("folds a run of edits in one field into one step", () => {
    let state = startHistory(a);
    for (const coats of [b, c]) state = historyReducer(state, { kind: "set", coats, field: "note" });
    expect(historyReducer(state, { kind: "undo" }).present).toBe(a);
  });

  it("does not fold edits of different fields, nor across an undo", () => {
    let state = historyReducer(startHistory(a), { kind: "set", coats: b, field: "note" });
    state = historyReducer(state, { kind: "set", coats: c, field: "hand" });
    expect(historyReducer(state, { kind: "undo" }).present).toBe(b);
    const undone = historyReducer(state, { kind: "undo" });
    expect(
      historyReducer(historyReducer(undone, { kind: "set", coats: a, field: "note" }), {
        kind: "undo",
      }).present,
    ).toBe(b);
  });

  it("drops what was undone when something new is done", () => {
    const state = historyReducer(
      historyReducer(historyReducer(startHistory(a), { kind: "set", coats: b }), { kind: "undo" }),
      { kind: "set", coats: c },
    );
    expect(state.future).toEqual([]);
  });
});
