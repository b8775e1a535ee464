import { QueryClientProvider } from "@tanstack/react-query";
import { fireEvent, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactElement } from "react";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { PieceLook } from "../../api/types";
import { markOf, PiecePicture } from "../../craft/PiecePicture";
import { host } from "../../test/host";
import { nothingBeside, trialOf } from "./Beside";
import { cellsAcross, cellsUp, sorted, texels } from "./marks";
import { ShownAs } from "./ShownAs";
import { screenPxPerMm, TrueSize } from "./TrueSize";

const look: PieceLook = {
  pieceId: "piece",
  version: 2,
  kind: "straightWall",
  chosen: false,
  parts: [
    { name: "faces", zoneId: "stone" },
    { name: "top", zoneId: "stone" },
  ],
  zones: [
    { id: "stone", name: "Stone", coats: [], first: 0, levelsMm: [0], shown: true, layers: [] },
    { id: "weed", name: "Weed line", coats: [], first: 2, levelsMm: [0], shown: false, layers: [] },
  ],
  mesh: "mesh",
  lamp: "daylight",
  rows: 4,
  table: "",
  viewingMm: 1000,
  marks: [],
  box: { low: [0, 0, 0], high: [60, 20, 40] },
};
const show = (what: ReactElement) =>
  render(
    <MemoryRouter>
      <QueryClientProvider client={queryClient}>{what}</QueryClientProvider>
    </MemoryRouter>,
  );

beforeEach(() => {
  queryClient.clear();
  localStorage.clear();
});
afterEach(() => vi.unstubAllGlobals());

test("a zone that no part shows is named, and a part can be given to it", async () => {
  const sent = host({ "PUT /look": {}, "/stand-ins": [{ kind: "straightWall", parts: ["faces", "top"] }] });
  show(<ShownAs look={look} />);
  expect(screen.getByText(/Not shown: Weed line/)).toBeInTheDocument();
  await userEvent.click(await screen.findByText("Which part is which zone"));
  await userEvent.click(screen.getByRole("combobox", { name: /top/ }));
  await userEvent.click(await screen.findByRole("option", { name: "Weed line" }));
  await waitFor(() =>
    expect(sent.find((s) => s.method === "PUT")?.body).toEqual({
      version: 2,
      kind: "straightWall",
      zoneIds: ["stone", "weed"],
    }),
  );
});

test("a choice that is refused is told, and nothing else happens", async () => {
  host({
    "PUT /look": Response.json(
      { title: "Somebody else changed this meanwhile.", code: "stale", errors: {} },
      { status: 409 },
    ),
    "/stand-ins": [],
  });
  show(<ShownAs look={{ ...look, zones: [] }} />);
  expect(screen.getByText(/No zone yet/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole("combobox", { name: /Shown as/ }));
  await userEvent.click(await screen.findByRole("option", { name: "rock" }));
  expect(await screen.findByRole("alert")).toHaveTextContent(/Somebody else/);
});

test("a screen that is measured is remembered, and tells how large the piece is shown", async () => {
  const usual = screenPxPerMm();
  expect(usual).toBeCloseTo(96 / 25.4);
  render(<TrueSize pxPerMm={2 * usual} distance={1200} />);
  expect(screen.getByTestId("true-size")).toHaveTextContent(
    "Shown 2 times as large as it is; blurred as an eye sees it",
  );
  await userEvent.click(screen.getByRole("button", { name: "Measure this screen" }));
  const read = screen.getByLabelText("By a ruler this line is");
  await userEvent.clear(read);
  await userEvent.type(read, "25");
  await userEvent.click(screen.getByRole("button", { name: "Keep" }));
  expect(screen.getByTestId("true-size")).toHaveTextContent("Shown 1 times");
  expect(screenPxPerMm()).toBeCloseTo(2 * usual);
  localStorage.setItem("lowfell.screenPxPerMm", "nonsense");
  expect(screenPxPerMm()).toBeCloseTo(usual);
});

test("until a picture has come, and where none does, something stands in its place", () => {
  const { container, rerender } = render(
    <PiecePicture pieceId="p" mark={markOf(["#111"])} w={90} h={60} meanwhile={<b>core</b>} />,
  );
  const image = () => container.querySelector("img");
  expect(screen.getByText("core")).toBeInTheDocument();
  expect(image()!.getAttribute("src")).toBe(`/api/pieces/p/picture.png?w=180&h=120&v=${markOf(["#111"])}`);
  fireEvent.load(image()!);
  expect(screen.queryByText("core")).toBeNull();
  rerender(<PiecePicture pieceId="p" mark={markOf(["#222"])} w={90} h={60} meanwhile={<b>core</b>} />);
  fireEvent.error(image()!);
  expect(image()).toBeNull();
  expect(markOf(["#111"])).not.toBe(markOf(["#222"]));
  expect(markOf(["#111"])).toBe(markOf(["#111"]));
});

test("marks are sorted by zone, side and cell, and reach into the cells beside", () => {
  const mark = (x: number, more: object = {}) => ({
    zone: 1,
    layer: 0,
    side: "front" as const,
    shape: "chip" as const,
    x,
    y: 5,
    width: 1,
    length: 1,
    angle: 0,
    seed: 0.5,
    ...more,
  });
  const of = sorted({ ...look, marks: [mark(1), mark(59.9, { layer: 2, seed: 0.25 }), mark(30, { width: 60 })] });
  const cell = (x: number, y: number) => {
    const column = Math.floor((x / 60) * cellsAcross);
    return 4 * ((5 * cellsUp + Math.floor((y / 40) * cellsUp)) * cellsAcross + column);
  };
  const at = (x: number, y: number) => Array.from(of.where.subarray(cell(x, y), cell(x, y) + 2));
  // One chip at the left, one at the right end, and the wide one over all of the front's lower part.
  expect(at(1, 5)[1]).toBe(2);
  expect(at(15, 5)[1]).toBe(1);
  expect(at(15, 7)[1]).toBe(0);
  expect(at(59.9, 5)[1]).toBe(2);
  expect(of.count).toBe(3);
  const first = 4 * texels * at(59.9, 5)[0]!;
  expect(of.marks[first]).toBeCloseTo(59.9, 4);
  // The ragged seed, then the shape and, in eights, the layer.
  expect([of.marks[first + 6], of.marks[first + 7]]).toEqual([0.25, 1 + 8 * 2]);
  // Nothing of the other zone.
  expect(Array.from(of.where.subarray(0, 4 * 5 * cellsUp * cellsAcross)).some((n, i) => i % 4 === 1 && n > 0)).toBe(
    false,
  );
});

test("what is laid beside a piece asks the host only for what differs", () => {
  expect(trialOf({ ...nothingBeside, kind: "moment" }, "zone")).toEqual({});
  expect(trialOf({ ...nothingBeside, kind: "scheme", schemeId: "s" }, "zone")).toEqual({
    tryZoneId: "zone",
    trySchemeId: "s",
  });
  const trial = { ...nothingBeside, kind: "trial" as const, coatId: "c", materialId: "m", hand: 1.4 };
  expect(trialOf(trial, "zone")).toEqual({ tryZoneId: "zone", tryCoatId: "c", tryMaterialId: "m", tryHand: 1.4 });
  expect(trialOf({ ...trial, hand: 1 }, "zone").tryHand).toBeUndefined();
  expect(trialOf(trial, undefined)).toEqual({});
});
