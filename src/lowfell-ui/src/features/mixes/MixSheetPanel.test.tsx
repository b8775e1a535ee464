import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test, vi } from "vitest";
import type { MixSheet } from "../../api/types";
import { Measure, Thickness } from "./MixSheetPanel";

const sheet: MixSheet = {
  made: {
    shares: [
      { name: "Rope Tan", colour: "#b59a6b", share: 0.5 },
      { name: "water", share: 0.5 },
    ],
    paintFraction: 0.5,
    overBlack: ["#111111"],
    overWhite: ["#eeeeee"],
    mixesCarriers: false,
  },
  overGround: ["#777777", "#787878"],
  warnings: ["20 % paint is too thin for acrylic paint."],
  tools: [
    { technique: "airbrush", fit: "right", least: 0.4, most: 0.6 },
    { technique: "dryBrush", fit: "tooThin", least: 1, most: 1 },
  ],
  lines: [
    { name: "Rope Tan", share: 0.5, ml: 2.5, drops: 50, grams: 3 },
    { name: "water", share: 0.5, ml: 2.5, drops: 35.7, grams: 2.5 },
  ],
  within2: { drops: [7, 5], ml: 0.7, worstError: 0, roundsDrops: [56, 40], roundsMl: 5.6 },
  within5: { drops: [3, 2], ml: 0.29, worstError: 3.4, roundsDrops: [54, 36], roundsMl: 5.22 },
};

test("a recipe is told in every unit, with whole drops and what they are off by", () => {
  render(<Measure sheet={sheet} question={{ ground: "#808080", totalMl: 5 }} onQuestion={() => {}} />);
  const water = screen.getByText("water").closest("tr")!;
  expect(within(water).getAllByText("2.50")).toHaveLength(2);
  expect(within(water).getByText("35.7")).toBeTruthy();
  expect(within(water).getByText("or 36")).toBeTruthy();
  expect(screen.getByText("worst share 3.4 % off")).toBeTruthy();
});

test("a jar is filled to nine tenths", async () => {
  const ask = vi.fn();
  render(<Measure sheet={sheet} question={{ ground: "#808080", totalMl: 5 }} onQuestion={ask} />);
  await userEvent.click(screen.getByText("20 ml jar"));
  expect(ask).toHaveBeenCalledWith({ ground: "#808080", totalMl: 18 });
});

test("a recipe without a whole count says so", () => {
  const { within2: _two, within5: _five, ...bare } = sheet;
  render(<Measure sheet={bare} question={{ ground: "#808080", totalMl: 5 }} onQuestion={() => {}} />);
  expect(screen.getAllByText("over 400 drops")).toHaveLength(2);
});

test("shares, thickness by tool and warnings are told in words", () => {
  render(<Thickness sheet={sheet} />);
  expect(screen.getByText("50 % of it is paint.")).toBeTruthy();
  expect(screen.getByText("right")).toBeTruthy();
  expect(screen.getByText("too thin")).toBeTruthy();
  expect(screen.getByText("40 to 60 % paint")).toBeTruthy();
  expect(screen.getByText(/too thin for acrylic paint/)).toBeTruthy();
});
