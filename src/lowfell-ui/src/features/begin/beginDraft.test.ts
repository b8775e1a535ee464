import { expect, test } from "vitest";
import { freshDraft, requestOf, schemesOf, withScheme } from "./beginDraft";

test("a scheme that was chosen first goes on the first zone of every piece, but where another is chosen", () => {
  const draft = { ...freshDraft(), pieces: "Wall, 6\nCarrier, 1", first: "Sea-worn stone" };
  expect(schemesOf(draft)).toEqual([
    { line: 1, zone: 0, scheme: "Sea-worn stone" },
    { line: 2, zone: 0, scheme: "Sea-worn stone" },
  ]);
  const other = withScheme(draft, 2, 0, "Marsh green by brush");
  expect(schemesOf(other)).toEqual([
    { line: 2, zone: 0, scheme: "Marsh green by brush" },
    { line: 1, zone: 0, scheme: "Sea-worn stone" },
  ]);
  expect(schemesOf({ ...other, first: undefined })).toEqual(other.schemes);
  expect(schemesOf({ ...freshDraft(), pieces: "Wall" })).toEqual([]);
});

test("another choice for a zone takes the place of the one before", () => {
  const twice = withScheme(withScheme(freshDraft(), 1, 0, "Pan iron"), 1, 0, "Wet sand");
  expect(twice.schemes).toEqual([{ line: 1, zone: 0, scheme: "Wet sand" }]);
  expect(requestOf(twice, "id", true)).toMatchObject({ setId: "id", dryRun: true, schemes: twice.schemes });
});
