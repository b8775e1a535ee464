import "@testing-library/jest-dom/vitest";
import "fake-indexeddb/auto";
import { cleanup } from "@testing-library/react";
import { afterEach } from "vitest";
import type { Craft } from "../api/types";
import { setUnits } from "../api/units";
import { learn } from "../api/words";
import craft from "./craft.json";

learn(craft as unknown as Craft);
setUnits({ dates: "en-GB" });

afterEach(cleanup);

// jsdom lays nothing out; Radix asks all the same.
Element.prototype.scrollIntoView ??= () => {};
Element.prototype.hasPointerCapture ??= () => false;
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
