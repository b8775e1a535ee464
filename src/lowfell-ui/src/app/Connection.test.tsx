import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { queryClient } from "../api/client";
import { host } from "../test/host";
import { Connection } from "./Connection";

beforeEach(() => queryClient.clear());
afterEach(() => {
  vi.unstubAllGlobals();
  Reflect.deleteProperty(navigator, "serviceWorker");
});

const show = () =>
  render(
    <QueryClientProvider client={queryClient}>
      <Connection />
    </QueryClientProvider>,
  );

test("what is amiss is said before anything is pressed, and why", async () => {
  vi.stubGlobal("fetch", async () => Promise.reject(new TypeError("Failed to fetch")));
  show();
  expect(await screen.findByRole("alert")).toHaveTextContent("Lowfell does not answer.");
});

test("without a network it says so", async () => {
  vi.spyOn(navigator, "onLine", "get").mockReturnValue(false);
  vi.stubGlobal("fetch", async () => Promise.reject(new TypeError("Failed to fetch")));
  show();
  expect(await screen.findByRole("alert")).toHaveTextContent("You are offline.");
  vi.restoreAllMocks();
});

test("a newer page asks before it loads, and takes over only then", async () => {
  host({ "GET /health": { status: "ready", version: "1" } });
  const postMessage = vi.fn();
  const worker = Object.assign(new EventTarget(), {
    controller: {},
    getRegistration: async () => Object.assign(new EventTarget(), { waiting: { postMessage } }),
  });
  Object.defineProperty(navigator, "serviceWorker", { value: worker, configurable: true });
  show();
  const alert = await screen.findByRole("alert");
  expect(alert).toHaveTextContent("A newer Lowfell is here.");
  expect(postMessage).not.toHaveBeenCalled();
  await userEvent.click(screen.getByRole("button", { name: "Load anew" }));
  await vi.waitFor(() => expect(postMessage).toHaveBeenCalledWith("take over"));
});
