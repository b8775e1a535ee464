import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test, vi } from "vitest";
import type { PlannedEvening, PlannedStep } from "../../api/types";
import { EveningBand } from "./EveningBand";

const step = (part: Partial<PlannedStep>): PlannedStep => ({
  zoneId: "z",
  coatId: "c",
  pass: 1,
  passes: 1,
  piece: "Straight",
  zone: "Walkway",
  what: "Base coat",
  technique: "baseCoat",
  paint: "Rope Tan",
  colour: "#b59a6b",
  copies: [1, 2],
  station: "brush",
  startAt: "2026-11-26T19:31:00Z",
  endAt: "2026-11-26T20:01:00Z",
  tool: "flat brush",
  readying: [],
  note: "",
  right: "even",
  judgeMin: 8,
  faults: [],
  minutes: 30,
  setUpMin: 1,
  dryAt: "2026-11-26T20:31:00Z",
  nextFrom: "2026-11-26T20:31:00Z",
  after: ["#444444", "#555555", "#666666"],
  sample: [],
  cautions: [],
  ...part,
});
const evening = (steps: PlannedStep[]): PlannedEvening => ({
  day: "2026-11-26",
  openAt: "2026-11-26T19:30:00Z",
  closeAt: "2026-11-26T22:00:00Z",
  steps,
});

test("a step stands at its time, and is opened by a press", async () => {
  const open = vi.fn();
  const one = step({});
  render(<EveningBand evening={evening([one])} current={undefined} onOpen={open} />);
  const bar = screen.getByRole("button", { name: "19:31, Base coat, Straight 1–2: Rope Tan on Walkway" });
  expect(Number.parseFloat(bar.style.width)).toBeCloseTo(20, 1);
  await userEvent.click(bar);
  expect(open).toHaveBeenCalledWith(one);
});

test("what wants the night is told at the evening's end", () => {
  render(
    <EveningBand
      evening={evening([step({ dryAt: "2026-11-27T09:00:00Z" }), step({ coatId: "d", paint: "Kelp Wash" })])}
      current={undefined}
      onOpen={() => {}}
    />,
  );
  expect(screen.getByText(/dry Fri 09:00/)).toBeTruthy();
});

test("a bar too narrow for a finger is no target, and is told and opened under the band", async () => {
  const opened: PlannedStep[] = [];
  const tiny = step({ endAt: "2026-11-26T19:33:00Z" });
  render(<EveningBand evening={evening([tiny])} current={undefined} onOpen={(s) => opened.push(s)} />);
  const only = screen.getByRole("button");
  expect(screen.getByTestId("narrow")).toContainElement(only);
  await userEvent.click(only);
  expect(opened).toEqual([tiny]);
  expect(screen.getByText("all dry by the end")).toBeTruthy();
});
