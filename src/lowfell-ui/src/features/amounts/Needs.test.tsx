import { render, screen } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { expect, test } from "vitest";
import type { Amounts, Need } from "../../api/types";
import { Elements, Needs } from "./Needs";

const need = (part: Partial<Need>): Need => ({
  materialId: part.name ?? "m",
  name: "Salt White",
  house: "Tarnside",
  colour: "#f0efe9",
  ml: 25,
  drops: 500,
  reserveMl: 0,
  leftMl: 6.7,
  shortMl: 18.3,
  verdict: "short",
  openedLongAgo: false,
  lots: [],
  coats: 2,
  ...part,
});
const nothing: Amounts = {
  materials: [],
  thinners: [],
  coats: [],
  pieces: [],
  totalMl: 0,
  minutes: 0,
  setUpMin: 0,
  cost: 0,
  unpriced: 0,
  elements: [],
  superGlueDrops: 0,
  later: [],
};
const show = (amounts: Partial<Amounts>) =>
  render(
    <MemoryRouter>
      <Needs amounts={{ ...nothing, ...amounts }} />
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
      <Needs amounts={nothing} />
    </MemoryRouter>,
  );
  expect(screen.getByText(/Nothing to mix here/)).toBeTruthy();
});

test("whole bottles, their price and what is kept for slips stand apart from the need", () => {
  show({ materials: [need({ reserveMl: 0.3, bottles: 2, bottleMl: 17, buyPrice: 5.8 })] });
  expect(screen.getByRole("table").textContent).toContain("buy 2 × 17 ml, 5.80");
  expect(screen.getByText("+ 0.30 for slips")).toBeTruthy();
  expect(screen.getByTestId("missing").textContent).toBe("1 to buy, 5.80");
});

test("stones and tufts that the boxes lack are told, and super glue where the shelf has none", () => {
  const { rerender } = render(
    <Elements
      amounts={{
        ...nothing,
        elements: [
          { boxId: "a", name: "slate L", needed: 4, left: 1, short: 3 },
          { boxId: "b", name: "tuft S", needed: 9, left: 40, short: 0 },
        ],
        superGlueDrops: 12,
      }}
    />,
  );
  expect(screen.getByRole("heading")).toHaveTextContent("For the bases1 to get");
  expect(screen.getByRole("row", { name: /slate L/ })).toHaveTextContent("slate L413 short");
  expect(screen.getByRole("row", { name: /Super glue/ })).toHaveTextContent("12 drops");
  rerender(<Elements amounts={nothing} />);
  expect(screen.queryByRole("heading")).toBeNull();
});
