import { expect, test } from "vitest";
import { screenAt, screens } from "./screens";

test("each screen has a place, a key and words of its own", () => {
  for (const of of ["path", "key", "label", "help"] as const)
    expect(new Set(screens.map((s) => s[of])).size, of).toBe(screens.length);
  expect(screens.every((s) => s.path.startsWith("/") && s.key.length === 1)).toBe(true);
});

test("an address below a screen belongs to it", () => {
  expect(screenAt("/stack/abc")?.label).toBe("Stack");
  expect(screenAt("/stacks")).toBeUndefined();
});
