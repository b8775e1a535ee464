import { expect, test } from "vitest";
import { stackAct, stackKeys } from "./stackKeys";

const press = (key: string, held: { altKey?: boolean; ctrlKey?: boolean } = {}) =>
  stackAct({ key, altKey: false, ctrlKey: false, metaKey: false, ...held });

test("a key does one thing, with Alt another, with Ctrl what painters know from elsewhere, else what the browser does", () => {
  expect([press("j"), press("ArrowUp", { altKey: true }), press("Z")]).toEqual(["down", "moveUp", "redo"]);
  expect([press("ArrowUp"), press("j", { altKey: true }), press("c", { ctrlKey: true }), press("q")]).toEqual([
    undefined,
    undefined,
    undefined,
    undefined,
  ]);
});

test("Ctrl + z, Ctrl + Shift + z and Ctrl + s do what they do everywhere", () => {
  const held = { ctrlKey: true };
  expect([press("z", held), press("Z", held), press("s", held), press("n", held)]).toEqual([
    "undo",
    "redo",
    "keep",
    undefined,
  ]);
});

test("no key stands twice", () => {
  const all = stackKeys.flatMap((k) =>
    Object.keys(k.keys).map((key) => `${k.alt ? "Alt " : ""}${k.ctrl ? "Ctrl " : ""}${key}`),
  );
  expect(new Set(all).size).toBe(all.length);
});
