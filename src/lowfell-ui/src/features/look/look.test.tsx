import { QueryClientProvider } from "@tanstack/react-query";
import { fireEvent, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactElement } from "react";
import { MemoryRouter } from "react-router";
import { expect, test, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { PieceLook } from "../../api/types";
import { markOf, PiecePicture } from "../../craft/PiecePicture";
import { host } from "../../test/host";
import { nothingBeside, trialOf } from "./Beside";
import { sheetOf, sheetWidth } from "./marks";
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

test("until a picture has come, and where none does, something stands in its place", async () => {
  const { container, rerender } = render(
    <PiecePicture pieceId="p" mark={markOf(["#111"])} w={90} h={60} meanwhile={<b>core</b>} />,
  );
  const image = () => container.querySelector("img");
  expect(screen.getByText("core")).toBeInTheDocument();
  expect(image()!.getAttribute("src")).toBe(`/api/pieces/p/picture.png?w=180&h=120&v=${markOf(["#111"])}`);
  fireEvent.load(image()!);
  expect(screen.queryByText("core")).toBeNull();
  rerender(<PiecePicture pieceId="p" mark={markOf(["#222"])} w={90} h={60} meanwhile={<b>core</b>} />);
  const fetched = vi.spyOn(globalThis, "fetch").mockResolvedValue(new Response(null, { status: 404 }));
  fireEvent.error(image()!);
  await waitFor(() => expect(image()).toBeNull());
  fetched.mockRestore();
  expect(markOf(["#111"])).not.toBe(markOf(["#222"]));
  expect(markOf(["#111"])).toBe(markOf(["#111"]));
});

test("a picture that is being drawn is asked for again, and shown by another element once it has been", async () => {
  vi.useFakeTimers({ shouldAdvanceTime: true });
  const answers = [202, 202, 200];
  const fetched = vi
    .spyOn(globalThis, "fetch")
    .mockImplementation(async () => new Response("{}", { status: answers.shift(), headers: { "Retry-After": "1" } }));
  const { container } = render(<PiecePicture pieceId="p" mark="m" w={90} h={60} meanwhile={<b>core</b>} />);
  const asked = container.querySelector("img")!;
  fireEvent.error(asked);
  const waiting = await waitFor(() => container.querySelector("img[data-waits]")!);
  expect(waiting.getAttribute("src")).toBeNull();
  expect(screen.getByText("core")).toBeInTheDocument();
  await vi.advanceTimersByTimeAsync(2_000);
  await waitFor(() =>
    expect(container.querySelector("img")!.getAttribute("src")).toContain("/api/pieces/p/picture.png"),
  );
  expect(fetched).toHaveBeenCalledTimes(3);
  const drawn = container.querySelector("img")!;
  expect(drawn).not.toBe(asked);
  expect(drawn.dataset.waits).toBeUndefined();

  // What was drawn and does not come is not asked for again and again.
  fireEvent.error(drawn);
  expect(container.querySelector("img")).toBeNull();
  expect(fetched).toHaveBeenCalledTimes(3);
  fetched.mockRestore();
  vi.useRealTimers();
});

test("of many pictures that are being drawn three are asked for at a time, and one that is left makes room", async () => {
  const drawn: Record<string, () => void> = {};
  const asked: string[] = [];
  vi.stubGlobal("fetch", (path: string, { signal }: RequestInit) => {
    asked.push(path.split("/")[3]!);
    return new Promise<Response>((come, gone) => {
      drawn[path.split("/")[3]!] = () => come(new Response("drawn"));
      signal!.addEventListener("abort", () => gone(new DOMException("", "AbortError")));
    });
  });
  const pieces = ["a", "b", "c", "d", "e"];
  const list = (of: string[]) =>
    of.map((id) => <PiecePicture key={id} pieceId={id} mark="m" w={9} h={6} meanwhile="" />);
  const { container, rerender } = render(<>{list(pieces)}</>);
  for (const image of container.querySelectorAll("img")) fireEvent.error(image);
  await waitFor(() => expect(asked).toEqual(["a", "b", "c"]));
  expect(container.querySelectorAll("img[data-waits]")).toHaveLength(5);
  drawn.a!();
  await waitFor(() => expect(asked).toEqual(["a", "b", "c", "d"]));
  rerender(<>{list(["a", "c", "d", "e"])}</>);
  await waitFor(() => expect(asked).toEqual(["a", "b", "c", "d", "e"]));
  for (const id of ["c", "d", "e"]) drawn[id]!();
  await waitFor(() => expect(container.querySelectorAll("img[src]")).toHaveLength(4));
});

test("marks lie on one sheet, a region for each side of a zone that has any, none over another", () => {
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
  const marks = [
    mark(1),
    mark(59.9, { layer: 2, seed: 0.25, shape: "line", width: 2, length: 6, angle: 90 }),
    mark(3, { side: "top" }),
    mark(4, { zone: 0 }),
  ];
  const of = sheetOf({ ...look, marks });
  const region = (zone: number, side: number) =>
    Array.from(of.where.subarray(8 * (5 * zone + side), 8 * (5 * zone + side) + 8));
  const [x, y, w, h, lowX, lowY, perMm] = region(1, 0);
  // From the left of the chip to the right of the turned line, which reaches 3 mm each way.
  expect([lowX, lowY]).toEqual([expect.closeTo(0.3, 4), expect.closeTo(2, 4)]);
  expect([w! / perMm!, h! / perMm!]).toEqual([expect.closeTo(62.6, 3), expect.closeTo(6, 3)]);
  expect(region(1, 1)[2]).toBe(0);
  const taken = [region(1, 0), region(1, 4), region(0, 0)];
  for (const [i, a] of taken.entries())
    for (const b of taken.slice(i + 1))
      expect(a[0]! + a[2]! <= b[0]! || b[0]! + b[2]! <= a[0]! || a[1]! + a[3]! <= b[1]! || b[1]! + b[3]! <= a[1]!).toBe(
        true,
      );
  // The middle of the first mark's rectangle is where its region says.
  const mid = [0, 1].map((i) => (of.corners[i]! + of.corners[8 + i]!) / 2);
  const first = marks.findIndex((m) => m.x === 1);
  expect(first).toBe(0);
  expect(((mid[0]! + 1) / 2) * sheetWidth).toBeCloseTo(x! + (1 - lowX!) * perMm!, 2);
  expect(((mid[1]! + 1) / 2) * of.height).toBeCloseTo(y! + (5 - lowY!) * perMm!, 2);
  expect(of.height).toBeLessThanOrEqual(4096);
  // Large and many: finer is given up before room.
  const large = sheetOf({
    ...look,
    marks: [mark(1), mark(2900, { y: 2800 }), mark(1, { side: "top" }), mark(2900, { side: "top", y: 2900 })],
  });
  expect(large.perMm).toBeLessThan(1);
  expect(large.height).toBeLessThanOrEqual(4096);
  expect(sheetOf({ ...look, marks: [] }).index).toHaveLength(0);
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
