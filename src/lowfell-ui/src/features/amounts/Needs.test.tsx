import { render, screen } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { expect, test } from "vitest";
import type { Amounts, Need } from "../../api/types";
import { Needs } from "./Needs";

const need = (part: Partial<Need>): Need => ({
  materialId: part.name ?? "m",
  name: "Salt White",
  house: "Tarnside",
  colour: "#f0efe9",
  ml: 25,
  drops: 500,
  leftMl: 6.7,
  shortMl: 18.3,
  verdict: "short",
  openedLongAgo: false,
  lots: [],
  coats: 2,
  ...part,
});
const show = (amounts: Partial<Amounts>) =>
  render(
    <MemoryRouter>
      <Needs amounts={{ materials: [], thinners: [], coats: [], ...amounts }} />
    </MemoryRouter>,
  );

test("what is short, gone or enough is told in words", () => {
  show({
    materials: [
      need({}),
      need({ name: "Kelp Wash", verdict: "gone", leftMl: 0 }),
      need({ name: "Rope Tan", verdict: "enough", shortMl: 0 }),
    ],
  });
  expect(screen.getByText("short by 18.3 ml")).toBeTruthy();
  expect(screen.getByText("none on the shelf")).toBeTruthy();
  expect(screen.getByText("enough")).toBeTruthy();
  expect(screen.getByTestId("missing").textContent).toBe("2 to buy");
});

test("an old bottle and two lots are warned of", () => {
  show({ materials: [need({ openedLongAgo: true, oldestOpenedOn: "2025-09-30", lots: ["B1", "T2"] })] });
  expect(screen.getByText("opened September 2025: test it first; lots B1 and T2: mix them first")).toBeTruthy();
});

test("nobody counts drops of a can, and an empty list says the next move", () => {
  const { rerender } = show({ materials: [need({ drops: undefined })] });
  expect(screen.getByText("–")).toBeTruthy();
  rerender(
    <MemoryRouter>
      <Needs amounts={{ materials: [], thinners: [], coats: [] }} />
    </MemoryRouter>,
  );
  expect(screen.getByText(/Nothing to mix here/)).toBeTruthy();
});
