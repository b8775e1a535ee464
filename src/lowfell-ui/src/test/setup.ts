import "@testing-library/jest-dom/vitest";
import "fake-indexeddb/auto";
import { cleanup, configure } from "@testing-library/react";
import { afterEach, beforeAll, vi } from "vitest";
import { queryClient } from "../api/client";
import type { Craft } from "../api/types";
import { setUnits } from "../api/units";
import { learn } from "../api/words";
import craft from "./craft.json";

learn(craft as unknown as Craft);
setUnits({ dates: "en-GB" });

// What comes is waited for as long as a busy machine takes; what must not come is never told by waiting this out.
configure({ asyncUtilTimeout: 30_000 });

// The files may share one page: none finds what another, or this here, has kept in it.
function forget() {
  queryClient.clear();
  localStorage.clear();
  sessionStorage.clear();
}
beforeAll(forget);
afterEach(() => {
  cleanup();
  forget();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

// jsdom lays nothing out; Radix asks all the same.
Element.prototype.scrollIntoView ??= () => {};
Element.prototype.hasPointerCapture ??= () => false;
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
