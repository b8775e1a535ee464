import { QueryObserver } from "@tanstack/react-query";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test, vi } from "vitest";
import { changed, isStale, schoolsChosen, stackKept } from "./changes";
import { queryClient } from "./client";
import { queries } from "./queries";
import type { Bench, Coat, ZonePage } from "./types";

const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory() ? sources(join(folder, e.name)) : /\.tsx?$/.test(e.name) ? [join(folder, e.name)] : [],
  );

test("no screen keeps a key of its own, nor says by hand what is stale", () => {
  const own = ["app", "craft", "features"]
    .flatMap((f) => sources(join("src", f)))
    .filter(
      (f) => !f.includes(".test.") && /invalidateQueries|setQuer(y|ies)Data|queryKey:/.test(readFileSync(f, "utf8")),
    );
  expect(own).toEqual([]);
});

test("a paint that changes changes what stacks look like, cost and take; a bottle does not", () => {
  for (const name of ["preview", "cards", "set", "piece", "zone", "amounts", "plan", "standIns", "mendAll", "match"])
    expect(isStale(["shelf"], name), name).toBe(true);
  expect(isStale(["bottles"], "amounts")).toBe(true);
  expect(isStale(["bottles"], "preview")).toBe(false);
  expect(isStale(["log", "bottles"], "plan")).toBe(true);
  expect(isStale(["tiles"], "health")).toBe(false);
});

test("a change makes stale what follows from it and leaves the rest", async () => {
  queryClient.setQueryData(["materials"], []);
  queryClient.setQueryData(["tiles"], []);
  await changed("bottles");
  expect(queryClient.getQueryState(["materials"])?.isInvalidated).toBe(true);
  expect(queryClient.getQueryState(["tiles"])?.isInvalidated).toBe(false);
});

test("nobody waits for what takes seconds", async () => {
  let answered = false;
  const never = new Promise<never>(() => {});
  const observer = new QueryObserver(queryClient, { queryKey: ["whatIfs"], queryFn: () => never, initialData: [] });
  const watching = observer.subscribe(() => {});
  await changed("plan").then(() => (answered = true));
  expect(answered).toBe(true);
  expect(queryClient.getQueryState(["whatIfs"])?.fetchStatus).toBe("fetching");
  watching();
});

test("a kept stack is taken over by every page that shows it, and nothing is asked for", () => {
  const asked = vi.fn(() => Promise.resolve([]));
  const watching = new QueryObserver(queryClient, {
    queryKey: ["cards"],
    queryFn: asked,
    initialData: [],
    staleTime: Infinity,
  }).subscribe(() => {});
  const page = (id: string, scheme: string) =>
    ({ id, scheme: { id: scheme, version: 3, coats: [], name: "Wall" } }) as unknown as ZonePage;
  queryClient.setQueryData(["zone", "a"], page("a", "s"));
  queryClient.setQueryData(["zone", "b"], page("b", "other"));
  const coats = [{ id: "c" }] as unknown as Coat[];
  stackKept("s", 4, coats);
  expect(queryClient.getQueryData<ZonePage>(["zone", "a"])?.scheme).toMatchObject({ version: 4, coats, name: "Wall" });
  expect(queryClient.getQueryData<ZonePage>(["zone", "b"])?.scheme.version).toBe(3);
  expect(queryClient.getQueryState(["cards"])?.isInvalidated).toBe(true);
  expect(queryClient.getQueryState(["zone", "a"])?.isInvalidated).toBe(false);
  expect(queryClient.getQueryState(["zone", "b"])?.isInvalidated).toBe(true);
  expect(asked).not.toHaveBeenCalled();
  watching();
});

test("preferences show at once, and what is judged by them is asked for anew", () => {
  queryClient.setQueryData(["cards"], []);
  schoolsChosen({ id: "b", name: "My bench" } as Bench);
  expect(queryClient.getQueryData(queries.bench().queryKey)).toMatchObject({ name: "My bench" });
  expect(queryClient.getQueryState(["cards"])?.isInvalidated).toBe(true);
});
