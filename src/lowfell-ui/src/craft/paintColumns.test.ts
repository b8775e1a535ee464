import { expect, test } from "vitest";
import { columnsFor, rememberColumns, rememberedColumns } from "./paintColumns";

const sheet = "Bottle;Shade;Rest\nRope Tan;#a98a5c;half";

test("columns told by hand are remembered by the headings of the table", () => {
  expect(rememberedColumns(sheet)).toBeUndefined();
  rememberColumns(sheet, ["name", "colour", "howFull"]);
  expect(rememberedColumns("BOTTLE;Shade;Rest\nother")).toEqual(["name", "colour", "howFull"]);
  expect(rememberedColumns("Bottle;Shade;Price\nother")).toBeUndefined();
});

test("names alone are no table, and nothing is remembered of them", () => {
  rememberColumns("Rope Tan\nLampblack", ["name"]);
  expect(rememberedColumns("Rope Tan\nBone")).toBeUndefined();
  expect(localStorage).toHaveLength(0);
});

test("while one writes on the columns stay; another first line is another table", () => {
  expect(columnsFor(`${sheet}\nBone;#dccfae;full`, sheet, ["name", "colour", "none"])).toEqual([
    "name",
    "colour",
    "none",
  ]);
  expect(columnsFor("a,b\nc,d", sheet, ["name", "colour", "none"])).toEqual([]);
  rememberColumns("a,b", ["colour", "name"]);
  expect(columnsFor("a,b\nc,d", sheet, ["name"])).toEqual(["colour", "name"]);
});
