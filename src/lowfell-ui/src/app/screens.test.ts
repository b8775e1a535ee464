import { matchRoutes } from "react-router";
import { expect, test } from "vitest";
import { pages } from "../features/guide/guide";
import { inFrame, router } from "./routes";
import { allPlaces, guide, homeOf, oldAddresses, places, viewAt } from "./screens";

test("five places in the order of the work, each with a key and words of its own", () => {
  expect(places.map((p) => p.label)).toEqual(["Sets", "Piece", "Shelf", "Evenings", "Bench"]);
  expect(new Set(allPlaces.map((p) => p.key)).size).toBe(allPlaces.length);
  const views = allPlaces.flatMap((p) => p.views);
  for (const of of ["path", "label", "help"] as const)
    expect(new Set(views.map((v) => v[of])).size, of).toBe(views.length);
});

test("an address belongs to the view that fits it best", () => {
  const label = (path: string) => viewAt(path)?.view.label;
  expect(label("/piece/abc/coats/def")).toBe("Piece");
  expect(label("/zone/abc")).toBe("Piece");
  expect(label("/shelf")).toBe("Paints");
  expect(label("/shelf/mixes")).toBe("Mixes");
  expect(label("/evenings/plan")).toBe("Plan");
  expect(label("/bench/log")).toBe("Log");
  expect(label("/shelves")).toBeUndefined();
});

test("every view opens at its address, and every old address leads to one that does", () => {
  const routes = [inFrame(allPlaces)];
  for (const { path } of allPlaces.flatMap((p) => p.views)) expect(matchRoutes(routes, path), path).not.toBeNull();
  for (const [from, to] of Object.entries(oldAddresses)) {
    expect(matchRoutes(router.routes, from.replace(":id", "x"))?.at(-1)?.route.path, from).toBe(from);
    expect(matchRoutes(routes, to.replace(":id", "x")), to).not.toBeNull();
  }
  expect(allPlaces.map(homeOf).every((path) => viewAt(path) !== undefined)).toBe(true);
});

test("the guide has a page for each place, at the address that the place asks for", () => {
  const slugs = pages.map((p) => p.slug);
  for (const { label } of allPlaces.filter((p) => p !== guide)) expect(slugs).toContain(label.toLowerCase());
});
