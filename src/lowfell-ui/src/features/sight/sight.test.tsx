import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter, Route, Routes } from "react-router";
import { expect, test } from "vitest";
import { queryClient } from "../../api/client";
import type { PieceSight, PieceStairs } from "../../api/types";
import { host } from "../../test/host";
import { SetSightScreen } from "./SetSightScreen";
import { SightScreen } from "./SightScreen";

const looks = [0.3, 0.6, 0.9, 1.2, 2].map((metres, i) => ({
  metres,
  word: (["standsOut", "seen", "barely", "lost", "lost"] as const)[i]!,
  j: 3,
  left: 5,
}));
const row = (more: Partial<PieceSight["rows"][number]>): PieceSight["rows"][number] => ({
  zoneId: "z",
  zone: "Hull panels",
  coatId: "c",
  what: "Streak, Streaking Rust",
  kind: "mark",
  widthMm: 0.45,
  lengthMm: 8,
  near: "#74745a",
  ground: "#7a7a5c",
  there: "#79795b",
  verdict: "barelyAtTable",
  unsure: false,
  word: "barely",
  formMm: 1550,
  looks,
  minutes: 32,
  tones: [{ colour: "#6a694f", deltaE: 4, materialId: "m", material: "Hull Green", offDeltaE: 2.5 }],
  neededWidthMm: 0.6,
  inLifeMm: 34,
  hardly: true,
  kept: null,
  ...more,
});
const sight: PieceSight = {
  pieceId: "p",
  metres: 1,
  wantedM: 1,
  leastM: 0.1,
  mostM: 5,
  room: "clubHall",
  eyes: "sharp",
  minutes: 292,
  hardlySeenMinutes: 136,
  factor: 1,
  rows: [
    row({}),
    row({
      coatId: "d",
      what: "Filter, Dust Filter",
      kind: "coat",
      widthMm: 120,
      lengthMm: 120,
      tones: [],
      neededWidthMm: null,
      word: "lost",
      verdict: "never",
    }),
    row({
      coatId: "e",
      what: "Pin wash, Tar Wash",
      word: "seen",
      hardly: false,
      verdict: "farOff",
      tones: [],
      neededWidthMm: null,
      unsure: true,
    }),
  ],
};

const step = {
  zoneId: "z",
  zone: "Hull panels",
  coatIds: ["c", "d"],
  what: "Pigment, Dry Mud Dust",
  minutes: 9,
  minutesLeft: 81,
  word: "barely" as const,
};
const cut = (finish: PieceStairs["finishes"][number]["finish"], steps = [step]) => ({
  finish,
  metres: 1,
  minutes: 41,
  enough: true,
  steps,
  colours: steps.map((s) => ({ zoneId: s.zoneId, zone: s.zone, before: ["#111111"], after: ["#222222"] })),
});
const stairs: PieceStairs = {
  pieceId: "p",
  copies: 2,
  minutes: 45,
  stairs: [step],
  finishes: [cut("table"), cut("good", []), cut("show", [])],
  within: null,
  alsoOn: ["Turret"],
};

const show = () =>
  render(
    <MemoryRouter initialEntries={["/piece/p/table"]}>
      <QueryClientProvider client={queryClient}>
        <Routes>
          <Route path="/piece/:pieceId/table" element={<SightScreen />} />
        </Routes>
      </QueryClientProvider>
    </MemoryRouter>,
  );

test("what nobody sees is told first, in minutes, with what would show", async () => {
  const asked = host({ "/api/pieces/p/sight": sight, "/sight/stairs": stairs });
  show();
  expect(await screen.findByTestId("hardly-seen")).toHaveTextContent(
    "136 of 292 minutes over all copies are hardly seen",
  );
  const rows = within(screen.getByTestId("sight")).getAllByRole("row").slice(1);
  expect(rows[0]).toHaveTextContent("barely at the table");
  expect(rows[0]).toHaveTextContent("#6a694f, nearest Hull Green, the same at arm's length (2.5 dE)");
  expect(rows[0]).toHaveTextContent("0.6 mm wide instead, 34 mm in life");
  expect(within(rows[0]!).getByRole("img")).toHaveAccessibleName(
    "0.3 m: stands out, 0.6 m: seen, 0.9 m: barely, 1.2 m: lost, 2 m: lost",
  );
  expect(rows[1]).toHaveTextContent("with and without it, all over");
  expect(rows[1]).toHaveTextContent("It is for who takes it in the hand");
  expect(rows[2]).toHaveTextContent("by a lighter or heavier hand otherwise");
  expect(rows[2]).not.toHaveTextContent("in the hand");
  expect(asked).toBeDefined();
});

test("a row that hardly anyone sees is left out from where it stands, with what belongs to it", async () => {
  const sent = host({
    "/api/pieces/p/sight": sight,
    "/sight/stairs": stairs,
    "/sight/cut": new Response(null, { status: 204 }),
  });
  show();
  await userEvent.click(await screen.findByRole("button", { name: "Leave it out: Streak, Streaking Rust" }));
  expect(sent.find((s) => s.path.endsWith("/cut"))!.body).toMatchObject({ skip: true });
  expect(screen.queryByRole("button", { name: /Leave it out: Pin wash/ })).toBeNull();
});

test("a row is painted otherwise, drawn wider or kept from where it stands, and what was is kept to go back", async () => {
  const sent = host({
    "/api/pieces/p/sight": {
      ...sight,
      rows: [...sight.rows, row({ coatId: "f", what: "Chips, Dark", kept: "seen in the hand" })],
    },
    "/sight/stairs": stairs,
    "/sight/change": { was: { id: "c", technique: "streak" }, now: { id: "c", technique: "streak" } },
  });
  show();
  const change = async (name: string) => {
    await userEvent.click(await screen.findByRole("button", { name }));
    return sent.findLast((s) => s.path.endsWith("/change"))!.body;
  };
  const of = { zoneId: "z", coatId: "c" };
  expect(await change("Paint it so: Hull Green")).toEqual({ ...of, materialId: "m" });
  expect(await change("Draw it so: Streak, Streaking Rust")).toEqual({ ...of, widthMm: 0.6 });
  expect(await change("Keep it: Streak, Streaking Rust")).toEqual({ ...of, keep: "seen in the hand" });
  expect(screen.getByText("stays: seen in the hand")).toBeVisible();
  expect(screen.queryByRole("button", { name: "Keep it: Chips, Dark" })).toBeNull();
  expect(await change("Judge it again: Chips, Dark")).toEqual({ zoneId: "z", coatId: "f", keep: "" });
});

test("a distance out of bounds is marked and not asked for", async () => {
  host({ "/api/pieces/p/sight": sight, "/sight/stairs": stairs });
  show();
  const from = await screen.findByLabelText("From");
  await userEvent.clear(from);
  await userEvent.type(from, "9");
  expect(from).toHaveAttribute("aria-invalid", "true");
  expect(from).toHaveAttribute("title", "0.1 to 5 m");
});

test("a finish says what it leaves out before it is taken, and goes back as one", async () => {
  const sent = host({
    "/api/pieces/p/sight": sight,
    "/sight/stairs": stairs,
    "/sight/cut": new Response(null, { status: 204 }),
  });
  show();
  const finishes = within(await screen.findByRole("group", { name: "How far it is taken" }));
  await userEvent.click(finishes.getByRole("button", { name: /^good/ }));
  expect(screen.getByText(/nothing is left out/)).toBeVisible();
  await userEvent.click(finishes.getByRole("button", { name: /^for the table/ }));
  const shown = screen.getByTestId("cut");
  expect(shown).toHaveTextContent("45 minutes a copy now, 41 without this one");
  expect(shown).toHaveTextContent("These coats are also those of Turret");
  await userEvent.click(within(shown).getByRole("button", { name: "Leave it out" }));
  expect(sent.find((s) => s.path.endsWith("/cut"))!.body).toEqual({
    coats: [
      { zoneId: "z", coatId: "c" },
      { zoneId: "z", coatId: "d" },
    ],
    skip: true,
  });
});

test("over a set the pieces that no one sees come first, each with the coats that it is about", async () => {
  const coat = { zoneId: "z", zone: "Planks", coatId: "c", what: "Filter, Dust", minutes: 20, word: "lost" as const };
  host({
    "/api/sets/s/sight": {
      setId: "s",
      name: "Sea wall",
      metres: 1,
      wantedM: 0.6,
      room: "clubHall",
      eyes: "sharp",
      minutes: 200,
      hardlySeenMinutes: 100,
      zonesLeft: 3,
      pieces: [
        {
          pieceId: "p",
          name: "Straight",
          copies: 8,
          minutes: 150,
          hardlySeenMinutes: 100,
          coats: [1, 2, 3, 4, 5].map((n) => ({ ...coat, coatId: String(n) })),
        },
        { pieceId: "q", name: "Stair", copies: 1, minutes: 50, hardlySeenMinutes: 0, coats: [] },
      ],
    },
  });
  render(
    <MemoryRouter initialEntries={["/sets/s/table"]}>
      <QueryClientProvider client={queryClient}>
        <Routes>
          <Route path="/sets/:setId/table" element={<SetSightScreen />} />
        </Routes>
      </QueryClientProvider>
    </MemoryRouter>,
  );
  expect(await screen.findByTestId("hardly-seen")).toHaveTextContent(
    "100 of 200 minutes over all copies are hardly seen from 0.6 m, which is enough by your schools",
  );
  expect(screen.getByTestId("hardly-seen")).toHaveTextContent("3 zones with little work were not looked at");
  const pieces = within(screen.getByTestId("set-sight"));
  expect(pieces.getByRole("link", { name: "Straight" })).toHaveAttribute("href", "/piece/p/table");
  expect(pieces.getAllByText("Filter, Dust")).toHaveLength(4);
  expect(pieces.getByText("and 1 more")).toBeVisible();
  expect(pieces.getByText(/all of its 50 min are seen/)).toBeVisible();
});

test("what is seen in a trial is ticked and kept, and says when it is enough", async () => {
  const detail = { zoneId: "z", zone: "Hull panels", coatId: "c", kind: "mark" as const, what: "Streak, Rust" };
  const sent = host({
    "GET /sight/trial": {
      ticks: 4,
      leastTicks: 10,
      factor: 1,
      details: [detail, { ...detail, coatId: "d", what: "Glaze" }],
    },
    "POST /sight/trial": { ticks: 5, leastTicks: 10, factor: 1, details: [] },
    "/api/pieces/p/sight": sight,
    "/sight/stairs": stairs,
  });
  show();
  await userEvent.click(await screen.findByRole("button", { name: "Try your own eyes" }));
  expect(await screen.findByTestId("trial-says")).toHaveTextContent("4 of 10 looks that it takes");
  expect(screen.getByRole("button", { name: "Keep what I saw" })).toBeDisabled();
  await userEvent.click(screen.getByRole("button", { name: "Not seen: Streak, Rust on Hull panels" }));
  await userEvent.click(screen.getByRole("button", { name: "Keep what I saw" }));
  expect(sent.find((s) => s.method === "POST")!.body).toMatchObject({
    metres: 1,
    ticks: [{ zoneId: "z", coatId: "c", kind: "mark", seen: false }],
  });
});
