import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter, Route, Routes } from "react-router";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { PieceSight } from "../../api/types";
import { host } from "../../test/host";
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
  ...more,
});
const sight: PieceSight = {
  pieceId: "p",
  metres: 1,
  room: "clubHall",
  eyes: "sharp",
  minutes: 292,
  hardlySeenMinutes: 136,
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
      verdict: "farOff",
      tones: [],
      neededWidthMm: null,
      unsure: true,
    }),
  ],
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

beforeEach(() => queryClient.clear());
afterEach(() => vi.unstubAllGlobals());

test("what nobody sees is told first, in minutes, with what would show", async () => {
  const asked = host({ "/api/pieces/p/sight": sight });
  show();
  expect(await screen.findByTestId("hardly-seen")).toHaveTextContent(
    "136 of 292 minutes over all copies are hardly seen",
  );
  const rows = within(screen.getByTestId("sight")).getAllByRole("row").slice(1);
  expect(rows[0]).toHaveTextContent("barely at the table");
  expect(rows[0]).toHaveTextContent("#6a694f, nearest Hull Green (2.5 dE off)");
  expect(rows[0]).toHaveTextContent("0.6 mm wide instead");
  expect(within(rows[0]!).getByRole("img")).toHaveAccessibleName(
    "0.3 m: stands out, 0.6 m: seen, 0.9 m: barely, 1.2 m: lost, 2 m: lost",
  );
  expect(rows[1]).toHaveTextContent("with and without it, all over");
  expect(rows[1]).toHaveTextContent("Leave it out, or keep it");
  expect(rows[2]).toHaveTextContent("by a lighter or heavier hand otherwise");
  expect(rows[2]).not.toHaveTextContent("Leave it out");
  expect(asked).toBeDefined();
});

test("a distance out of bounds is marked and not asked for", async () => {
  host({ "/api/pieces/p/sight": sight });
  show();
  const from = await screen.findByLabelText("From");
  await userEvent.clear(from);
  await userEvent.type(from, "9");
  expect(from).toHaveAttribute("aria-invalid", "true");
  expect(from).toHaveAttribute("title", "0.1 to 5 m");
});
