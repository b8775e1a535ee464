import { QueryClientProvider } from "@tanstack/react-query";
import { fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter, Route, Routes } from "react-router";
import { expect, test, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { EntryView, MarkEntry, WeatheringDraft, WeatheringView } from "../../api/types";
import { host, type Sent } from "../../test/host";
import { WeatheringScreen } from "./WeatheringScreen";

const rain: MarkEntry = {
  id: "rain",
  zoneId: "stone",
  kind: "rain",
  count: 7,
  widthMm: 0.5,
  lengthMm: 12,
  fromMm: null,
  toMm: null,
  materialId: null,
  locked: false,
  version: 1,
  held: [],
};
const damp: MarkEntry = { ...rain, id: "damp", kind: "damp", count: 1, widthMm: 0, lengthMm: 0, fromMm: 0, toMm: 22 };
const said: EntryView = {
  id: "rain",
  why: "Rain. Water runs down from sills.",
  guess: true,
  strip: false,
  byNumber: true,
  lifeWidthMm: 28,
  lifeLengthMm: 672,
  verdict: "toScale",
  tool: "small round brush",
  seen: "atTable",
  technique: "streak",
  material: "Grime Wash",
  colour: "#57513f",
  total: 14,
  perCopy: [8, 6],
  ml: 0.2,
  minutesEach: 2.5,
  minutes: 5,
  inStack: false,
  faults: [],
};
const place = { side: "front", xMm: 40, yMm: 60, widthMm: 0.5, lengthMm: 12, angleDeg: 0, host: 2 } as const;

const plan = (entries: MarkEntry[], more: Partial<WeatheringDraft> = {}): WeatheringDraft => ({
  history: { age: "tenYears", went: [], from: null, thrown: "feet", levelMm: null },
  hosts: [],
  entries,
  put: [],
  letters: [],
  pattern: null,
  ...more,
});

function viewOf(of: WeatheringDraft, version = 1, more: Partial<EntryView> = {}): WeatheringView {
  return {
    pieceId: "wall",
    setId: "set",
    name: "Straight",
    copies: 2,
    scale: 56,
    viewingM: 1,
    atRandom: false,
    lengthMm: 150,
    widthMm: 30,
    heightMm: 70,
    rectangle: false,
    levelMm: 22,
    version,
    plan: of,
    zones: [
      {
        id: "stone",
        name: "Stone courses",
        facing: "side",
        colour: "#8a8470",
        hosts: [{ host: "ledge", count: 14, guess: true }],
        hotEdgeMm: 300,
        hotEdgeGuess: true,
        kinds: ["damp", "rain", "lime"],
        parts: [{ side: "front", fromX: 0, toX: 150, fromY: 0, toY: 70, width: 150, height: 70 }],
      },
    ],
    answer: {
      entries: of.entries.map((e) =>
        e.id === "damp"
          ? { ...said, id: "damp", strip: true, byNumber: false, lifeWidthMm: 0, total: 0, perCopy: [], tool: null }
          : { ...said, id: e.id, ...more },
      ),
      copy: 1,
      marks: of.entries.map((e) => ({
        entryId: e.id,
        shape: e.id === "damp" ? ("band" as const) : ("streak" as const),
        marks: e.held?.[0]?.marks ?? (e.id === "damp" ? [{ ...place, widthMm: 150, lengthMm: 22 }] : [place]),
        held: (e.held ?? []).length > 0,
        first: e.id === "damp" ? 0 : 1,
      })),
      lines: [{ name: "Tide", leftMm: 22, rightMm: 22 }],
      stacks:
        of.entries.length > 0
          ? [{ zoneId: "stone", coats: [], added: ["Satin under it"], missing: [], alarms: 0 }]
          : [],
      minutes: 5,
      ml: 0.2,
      overlap: 0.21,
      letters: (of.letters ?? []).map((l) => ({
        id: l.id,
        text: l.texts[0] ?? "",
        widthMm: 5,
        strokeMm: 0.9,
        lifeMm: 336,
        legibleM: 2.9,
        tool: "round brush",
        perCopy: l.texts,
        faults: l.texts.length === 0 ? ["There is no text yet: write one."] : [],
      })),
      pattern: of.pattern ? [{ side: "front", stepMm: 1.5, rows: ["..00", "0..."] }] : [],
    },
    parts: [],
    kinds: [
      { kind: "damp", stage: 2, place: "Up from the ground.", strip: true, families: ["acrylicWash"] },
      { kind: "rain", stage: 3, place: "Down from sills.", strip: false, families: ["enamelWash"] },
      { kind: "lime", stage: 4, place: "Below perches.", strip: false, families: ["acrylicPaint"] },
    ],
  } as WeatheringView;
}

/** A host that keeps what it is sent. */
function keeping(first: WeatheringDraft, more: Record<string, unknown> = {}, said: Partial<EntryView> = {}) {
  let now = viewOf(first, 1, said);
  return host({
    ...more,
    "GET /api/materials": [
      { id: "grime", version: 1, material: { name: "Grime Wash", family: "enamelWash", colour: "#3d3a30" } },
      { id: "tan", version: 1, material: { name: "Rope Tan", family: "acrylicPaint", colour: "#b59a6b" } },
    ],
    "PUT /weathering": ({ body }: Sent) => (now = viewOf(body!.plan as WeatheringDraft, now.version + 1, said)),
    "GET /weathering": () => now,
  });
}

const show = () =>
  render(
    <MemoryRouter initialEntries={["/piece/wall/weathering"]}>
      <QueryClientProvider client={queryClient}>
        <Routes>
          <Route path="/piece/:pieceId/weathering" element={<WeatheringScreen />} />
        </Routes>
      </QueryClientProvider>
    </MemoryRouter>,
  );

const kept = (sent: Sent[]) => sent.filter((s) => s.method === "PUT").at(-1)?.body?.plan as WeatheringDraft;

test("what a piece went through is chosen, and marks are proposed from it", async () => {
  const sent = keeping(plan([]), { "POST /weathering/proposal": [rain, damp] });
  show();
  await userEvent.click(await screen.findByRole("button", { name: "rain" }));
  await waitFor(() => expect(kept(sent).history.went).toEqual(["rain"]));
  expect(screen.queryByLabelText("Water line above the table")).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "tide water" }));
  expect(await screen.findByLabelText("Water line above the table")).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "Propose marks" }));
  const rows = await screen.findAllByTestId("weather-entry");
  // Fields before runs.
  expect(rows.map((r) => within(r).getByTitle("Show where it is").textContent)).toEqual([
    expect.stringContaining("damp"),
    expect.stringContaining("rain streak"),
  ]);
  expect(rows[1]).toHaveTextContent("8 on this one, 14 in all, by a guess");
  expect(rows[1]).toHaveTextContent("28 x 672 mm, to scale");
  expect(rows[1]).toHaveTextContent("small round brush");
  expect(screen.getByTestId("weather-added")).toHaveTextContent("Satin under it");
  expect(screen.getAllByText("Water runs down from sills.", { exact: false })).toHaveLength(2);
});

test("a count that is typed is one change, and undone as one", async () => {
  const sent = keeping(plan([rain]));
  show();
  const count = await screen.findByLabelText("How many: rain streak");
  for (const value of ["1", "12"]) fireEvent.change(count, { target: { value } });
  await waitFor(() => expect(kept(sent).entries[0]!.count).toBe(12));
  fireEvent.click(screen.getByLabelText("Undo"));
  await waitFor(() => expect(kept(sent).entries[0]!.count).toBe(7));
  fireEvent.click(screen.getByLabelText("Redo"));
  await waitFor(() => expect(kept(sent).entries[0]!.count).toBe(12));
});

test("an entry is locked, drawn again, and dropped", async () => {
  const sent = keeping(plan([rain]));
  show();
  fireEvent.click(await screen.findByLabelText("Lock: rain streak"));
  await waitFor(() => expect(kept(sent).entries[0]!.locked).toBe(true));
  expect(await screen.findByText("One that is locked stays; the rest is replaced.")).toBeInTheDocument();
  fireEvent.click(screen.getByLabelText("Draw again: rain streak"));
  await waitFor(() => expect(kept(sent).entries[0]!.version).toBe(2));
  fireEvent.click(screen.getByLabelText("Drop: rain streak"));
  await waitFor(() => expect(kept(sent).entries).toEqual([]));
});

test("only what can make a mark is offered for it", async () => {
  const sent = keeping(plan([rain]));
  show();
  await userEvent.click(await screen.findByLabelText("What makes it: rain streak"));
  const options = await screen.findAllByRole("option");
  expect(options.map((o) => o.textContent)).toEqual(["Grime Wash", "Grime Wash"]);
  await userEvent.click(options.at(-1)!);
  await waitFor(() => expect(kept(sent).entries[0]!.materialId).toBe("grime"));
});

test("a mark is moved by the arrow keys and dropped, on this copy alone", async () => {
  const sent = keeping(plan([rain, damp]));
  show();
  const faces = await screen.findByTestId("faces");
  const mark = within(faces).getByRole("button", { name: /^rain streak 1, front, 40 mm/ });
  mark.focus();
  await userEvent.keyboard("{ArrowRight}");
  await waitFor(() => expect(kept(sent).entries[0]!.held).toMatchObject([{ copy: 1, marks: [{ xMm: 42, yMm: 60 }] }]));
  within(await screen.findByTestId("faces"))
    .getByRole("button", { name: /42 mm/ })
    .focus();
  await userEvent.keyboard("{Delete}");
  await waitFor(() => expect(kept(sent).entries[0]!.held).toEqual([{ copy: 1, marks: [] }]));
  await userEvent.click(await screen.findByRole("button", { name: "Draw this copy again" }));
  await waitFor(() => expect(kept(sent).entries.every((e) => e.held!.length === 0)).toBe(true));
  await userEvent.click(await screen.findByRole("button", { name: "Lock this copy" }));
  await waitFor(() => expect(kept(sent).entries[0]!.held).toMatchObject([{ copy: 1, marks: [{ xMm: 40 }] }]));
  // A strip is the same on every copy: there is nothing to hold.
  expect(kept(sent).entries[1]!.held).toEqual([]);
});

test("what cannot be keeps the marks out of the coats and says why", async () => {
  keeping(plan([rain]), {}, { faults: ["4 places on Stone courses can carry one."] });
  show();
  expect(await screen.findByRole("alert")).toHaveTextContent("4 places on Stone courses can carry one.");
  expect(screen.getByRole("button", { name: "Put into the coats" })).toBeDisabled();
});

test("the coats take the marks, once", async () => {
  const sent = keeping(plan([rain]), {
    "POST /weathering/coats": {
      was: [{ zoneId: "stone", schemeId: "s", version: 4, coats: [] }],
      version: 2,
      added: [],
    },
  });
  show();
  await userEvent.click(await screen.findByRole("button", { name: "Put into the coats" }));
  await waitFor(() => expect(sent.filter((s) => s.path.endsWith("/coats"))).toHaveLength(1));
  expect(sent.find((s) => s.path.endsWith("/coats"))!.body).toEqual({ version: 1 });
});

test("hosts are counted, and a guess comes back when a count is emptied", async () => {
  const sent = keeping(plan([rain]));
  show();
  await userEvent.click(await screen.findByText(/What carries marks on one copy/));
  const ledges = screen.getByLabelText("sills, copings, bars, rivets");
  expect(ledges).toHaveAttribute("placeholder", "14");
  fireEvent.change(ledges, { target: { value: "9" } });
  await waitFor(() => expect(kept(sent).hosts).toEqual([{ zoneId: "stone", ledges: 9 }]));
  fireEvent.change(ledges, { target: { value: "" } });
  await waitFor(() => expect(kept(sent).hosts).toEqual([{ zoneId: "stone" }]));
});

test("lettering begins with a number for each copy, and says from how far it is read", async () => {
  const sent = keeping(plan([]));
  show();
  await userEvent.click(await screen.findByRole("button", { name: "Add lettering" }));
  await waitFor(() => expect(kept(sent).letters).toMatchObject([{ texts: ["1", "2"], side: "front", by: "hand" }]));
  expect(await screen.findByTestId("letters-said")).toHaveTextContent("34 cm in life, read from 2.9 m");
  const texts = screen.getByLabelText(/^Texts, one a line/);
  await userEvent.clear(texts);
  await userEvent.tab();
  expect(await screen.findByText("There is no text yet: write one.")).toBeInTheDocument();
  expect(screen.getByRole("button", { name: "Put into the coats" })).toBeDisabled();
  await userEvent.click(screen.getByRole("button", { name: "Take the lettering away" }));
  await waitFor(() => expect(kept(sent).letters).toEqual([]));
});

test("a pattern has tones with shares, and is drawn on the faces", async () => {
  const sent = keeping(plan([]));
  show();
  const add = await screen.findByRole("button", { name: "Add a pattern" });
  await waitFor(() => expect(add).toBeEnabled());
  await userEvent.click(add);
  await waitFor(() => expect(kept(sent).pattern).toMatchObject({ zoneIds: ["stone"], tones: [{ materialId: "tan" }] }));
  await waitFor(() => expect(screen.getByTestId("faces").querySelectorAll("rect[fill='#b59a6b']")).toHaveLength(2));
  const share = screen.getByLabelText("Share of tone 1");
  fireEvent.change(share, { target: { value: "50" } });
  await waitFor(() => expect(kept(sent).pattern!.tones[0]!.share).toBe(0.5));
  await userEvent.click(screen.getByRole("button", { name: "Another tone" }));
  await waitFor(() => expect(kept(sent).pattern!.tones).toHaveLength(2));
  await userEvent.click(screen.getByRole("button", { name: "Take the pattern away" }));
  await waitFor(() => expect(kept(sent).pattern).toBeNull());
});

test("cards are printed once all of them are there, however many answers tell which there are", async () => {
  const print = vi.fn();
  vi.stubGlobal("print", print);
  keeping(plan([rain]), {
    "GET /weathering/cards": ({ query }: Sent) =>
      query.get("from") === "2"
        ? { cards: [{ copy: 2, pages: 1 }], next: null }
        : { cards: [{ copy: 1, pages: 2 }], next: 2 },
  });
  show();
  await userEvent.click(await screen.findByRole("button", { name: "Cards" }));
  const pages = await waitFor(() => {
    const all = screen.getByTestId("weather-cards").querySelectorAll("img");
    expect(all).toHaveLength(3);
    return all;
  });
  expect(pages[1]!.getAttribute("src")).toBe("/api/pieces/wall/weathering/card.svg?copy=1&page=2");
  expect(print).not.toHaveBeenCalled();
  for (const page of pages) page.dispatchEvent(new Event("load"));
  await waitFor(() => expect(print).toHaveBeenCalledTimes(1));
});
