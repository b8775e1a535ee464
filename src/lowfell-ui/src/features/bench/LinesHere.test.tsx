import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import { queryClient } from "../../api/client";
import type { PlannedStep } from "../../api/types";
import { host } from "../../test/host";
import { LinesHere } from "./LinesHere";

const line = (name: string, marks: number[], state = "over") => ({
  name,
  kind: "level",
  on: {
    datumId: name,
    state,
    points: marks.map((markMm, i) => ({ atMm: i, heightMm: markMm, markMm })),
    fadesAt: [],
    parts: [],
    line: marks,
  },
});
const step = (more: Partial<PlannedStep> = {}) =>
  ({ zoneId: "z", technique: "glaze", copies: [2, 3], ...more }) as PlannedStep;
const show = (of: PlannedStep) =>
  render(
    <QueryClientProvider client={queryClient}>
      <LinesHere step={of} />
    </QueryClientProvider>,
  );

test("the heights of the copies at hand are told, and of those that stand elsewhere", async () => {
  host({
    "/api/zones/z/lines": [
      { copy: 1, lines: [line("Tide", [5, 5, 5])] },
      { copy: 2, lines: [line("Tide", [22, 22, 22]), line("Damp", [-1, -2, -3], "none")] },
      { copy: 3, lines: [line("Tide", [22, 16, 10])] },
      { copy: 0, lines: [line("Tide", [12, 12, 12])] },
    ],
  });
  show(step());
  const told = await screen.findByTestId("lines-here");
  expect([...told.querySelectorAll("li")].map((li) => li.textContent)).toEqual([
    "2 Tide 22 mm; Damp none",
    "3 Tide 22 mm, 16 mm, 10 mm",
    "others Tide 12 mm",
  ]);
});

test("where no copy at hand stands on a board nothing is said, and of a clean-up nothing is asked", async () => {
  const sent = host({ "/api/zones/z/lines": [{ copy: 1, lines: [line("Tide", [5, 5, 5])] }] });
  const { container } = show(step());
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(container).toBeEmptyDOMElement();
  queryClient.clear();
  show(step({ technique: null }));
  expect(sent).toHaveLength(1);
});
