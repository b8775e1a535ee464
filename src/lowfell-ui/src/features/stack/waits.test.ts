import { expect, test } from "vitest";
import type { Wait } from "../../api/types";
import { coat } from "../../test/samples";
import { hurries, waitLine, waitMark, withWait } from "./waits";

const wait = (part: Partial<Wait> = {}): Wait => ({ kind: "recoat", minutes: 36, film: "lacquer varnish", ...part });

test("a wait says how long and for which film", () => {
  expect(waitLine(wait())).toBe("36 min, until the lacquer varnish takes another coat");
  expect(waitLine(wait({ kind: "touch", minutes: 28, most: 186 }))).toBe(
    "28 min, until the lacquer varnish is touch-dry, 3.1 h at most",
  );
  expect(waitLine(wait({ kind: "overnight", minutes: 774 }))).toBe("12.9 h, until the lacquer varnish has had a night");
  expect(waitLine(wait({ kind: "cured", minutes: 4320 }))).toBe("3 days, until the lacquer varnish has cured");
});

test("what need not wait says nothing, and wet paint has a last moment", () => {
  expect(waitLine(null)).toBeNull();
  expect(waitLine(wait({ minutes: 0 }))).toBeNull();
  expect(waitLine(wait({ kind: "whileWet", minutes: 0, most: 8 }))).toBe(
    "while the lacquer varnish is still wet, 8 min at most",
  );
});

test("the row of the stack shows the waits that are worth planning for", () => {
  expect(waitMark(wait())).toBe("36 min");
  expect(waitMark(wait({ minutes: 3 }))).toBeNull();
  expect(waitMark(wait({ kind: "whileWet", minutes: 0 }))).toBe("while wet");
  expect(waitMark(undefined)).toBeNull();
});

test("a wait that was made shorter than the film needs is seen", () => {
  expect(hurries(wait({ minutes: 5, needed: 36 }))).toBe(true);
  expect(hurries(wait({ minutes: 50, needed: 36 }))).toBe(false);
  expect(hurries(wait())).toBe(false);
});

test("an own wait is set, and given up without a trace", () => {
  const own = withWait(coat("a"), 90);
  expect(own.waitMinutes).toBe(90);
  expect("waitMinutes" in withWait(own, null)).toBe(false);
});
