import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, test, vi } from "vitest";
import { queryClient } from "../api/client";
import { host } from "../test/host";
import { Connection } from "./Connection";

afterEach(() => {
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

const workerOf = (state: string, files = ["/assets/newer.js"]) => {
  const told: unknown[] = [];
  const postMessage = (data: unknown, ports: MessagePort[] = []) => {
    told.push(data);
    if (data === "files") ports[0]!.postMessage(files);
  };
  return Object.assign(new EventTarget(), { state, postMessage, told });
};

function register(registration: object) {
  const update = vi.fn(async () => {});
  const worker = Object.assign(new EventTarget(), {
    controller: {},
    getRegistration: async () => Object.assign(new EventTarget(), { update, ...registration }),
  });
  Object.defineProperty(navigator, "serviceWorker", { value: worker, configurable: true });
  return { update, worker };
}

test("where the host alone has told of it the browser looks for it, and loads once it has come", async () => {
  let version = "1";
  host({ "GET /health": () => ({ status: "ready", version }) });
  const installing = workerOf("installing");
  const { update } = register({ installing });
  show();
  await waitFor(() => expect(queryClient.getQueryData(["health"])).toMatchObject({ version: "1" }));
  version = "2";
  await queryClient.refetchQueries();
  expect(await screen.findByRole("alert")).toHaveTextContent("Lowfell is 2 now.");
  await userEvent.click(screen.getByRole("button", { name: "Load anew" }));
  await waitFor(() => expect(update).toHaveBeenCalledOnce());
  expect(installing.told).toEqual([]);
  installing.state = "installed";
  installing.dispatchEvent(new Event("statechange"));
  expect(installing.told).toEqual(["take over"]);
});

test("a newer page asks before it loads, and takes over only then", async () => {
  host({ "GET /health": { status: "ready", version: "1" } });
  const waiting = workerOf("installed");
  register({ waiting });
  show();
  const alert = await screen.findByRole("alert");
  expect(alert).toHaveTextContent("A newer Lowfell is here.");
  expect(waiting.told).toEqual(["files"]);
  await userEvent.click(screen.getByRole("button", { name: "Load anew" }));
  await waitFor(() => expect(waiting.told).toContain("take over"));
});

test("a page that was loaded anew by hand is not asked again for a worker of its own build", async () => {
  host({ "GET /health": { status: "ready", version: "1" } });
  const waiting = workerOf("installed", [new URL(import.meta.url).pathname.replace(".test", "")]);
  register({ waiting });
  show();
  await waitFor(() => expect(waiting.told).toEqual(["files"]));
  await new Promise((go) => setTimeout(go, 50));
  expect(screen.queryByRole("alert")).toBeNull();
});

test("a page is still the one before where another tab has let the newer take over", async () => {
  host({ "GET /health": { status: "ready", version: "1" } });
  const { worker } = register({});
  show();
  await waitFor(() => expect(queryClient.getQueryData(["health"])).toBeDefined());
  expect(screen.queryByRole("alert")).toBeNull();
  worker.controller = workerOf("activated");
  worker.dispatchEvent(new Event("controllerchange"));
  expect(await screen.findByRole("alert")).toHaveTextContent("A newer Lowfell is here.");
});
