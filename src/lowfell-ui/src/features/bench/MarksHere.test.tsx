import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import { expect, test } from "vitest";
import type { PlannedStep } from "../../api/types";
import { MarksHere } from "./MarksHere";

const at = { side: "front", xMm: 40, yMm: 64, widthMm: 0.5, lengthMm: 12, angleDeg: 0, host: 1 };

test("marks are told for the copies at hand: by their numbers, as a strip, or by the sponge", () => {
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  const step = { zoneId: "z", technique: "streak", copies: [1, 2, 4] } as unknown as PlannedStep;
  const shown = (coatId: string, told: unknown) => {
    client.setQueryData(["coatMarks", "z", coatId], told);
    const { container, unmount } = render(
      <QueryClientProvider client={client}>
        <MarksHere step={{ ...step, coatId } as PlannedStep} />
      </QueryClientProvider>,
    );
    const text = container.textContent ?? "";
    unmount();
    return text;
  };
  const rain = shown("rain", [
    { copy: 1, count: 1, first: 3, marks: [at] },
    { copy: 3, count: 1, first: 1, marks: [at] },
  ]);
  expect(rain).toContain("3: front 40 mm, 64 mm up, 0.5 x 12");
  expect(rain).not.toContain("1: front");
  expect(shown("damp", [{ copy: 2, count: 0, first: 0, marks: [{ ...at, yMm: 11, lengthMm: 22 }] }])).toContain(
    "from 0 mm to 22 mm above the foot",
  );
  expect(shown("chip", [{ copy: 4, count: 70, first: 0, marks: [] }])).toContain("70 by sponge or flick");
  expect(shown("none", [])).toBe("");
  expect(screen.queryByTestId("marks-here")).toBeNull();
});
