import { beforeEach, expect, test, vi } from "vitest";
import { openBench } from "./openBench";
import { tapsKey, waitingTaps } from "./waitingTaps";

beforeEach(() => localStorage.clear());

test("taps that wait are counted, whatever stands there", () => {
  expect(waitingTaps()).toBe(0);
  localStorage.setItem(tapsKey, "[{},{}]");
  expect(waitingTaps()).toBe(2);
  localStorage.setItem(tapsKey, "no list");
  expect(waitingTaps()).toBe(0);
});

test("another bench is not opened while taps of this one wait", async () => {
  const asked = vi.fn(async () => new Response("{}", { status: 503 }));
  vi.stubGlobal("fetch", asked);
  localStorage.setItem(tapsKey, "[{}]");
  await openBench(true);
  expect(asked).not.toHaveBeenCalled();
  localStorage.clear();
  await openBench(true);
  expect(asked).toHaveBeenCalledOnce();
  vi.unstubAllGlobals();
});
