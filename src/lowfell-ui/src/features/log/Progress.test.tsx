import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, test, vi } from "vitest";
import { queryClient } from "../../api/client";
import { Progress } from "./Progress";

const zone = (copies: string[]) => ({
  zoneId: "z",
  pieceId: "p",
  setId: "s",
  piece: "Straight",
  zone: "Walkway",
  bare: ["#111111", "#222222", "#333333"],
  steps: [
    { coatId: "a", pass: 1, what: "Base coat", paint: "Rope Tan", look: ["#400000", "#500000", "#600000"] },
    { coatId: "b", pass: 1, what: "Wash", paint: "Kelp Wash", look: ["#004000", "#005000", "#006000"] },
  ],
  copies,
});
let copies: string[] = [];

beforeEach(() => {
  vi.stubGlobal(
    "fetch",
    vi.fn(async (request: Request) => {
      const body =
        new URL(request.url).pathname === "/api/sets/cards"
          ? [{ id: "s", name: "Sea wall", current: true }]
          : [zone(copies)];
      return new Response(JSON.stringify(body), { headers: { "content-type": "application/json" } });
    }),
  );
});

const show = () =>
  render(
    <QueryClientProvider client={queryClient}>
      <Progress />
    </QueryClientProvider>,
  );

test("each copy has a cell a step: on, left out or open", async () => {
  copies = ["d.", "ds"];
  show();
  expect(await screen.findByText("75 %")).toBeInTheDocument();
  expect(screen.getAllByRole("cell").map((c) => c.textContent)).toEqual(["on", "open", "on", "left out×"]);
  expect(screen.getByTitle("2: Wash Kelp Wash, left out")).toBeInTheDocument();
});

test("a mend of one copy is no open step of the others", async () => {
  copies = ["d-", "d."];
  show();
  expect(await screen.findByText("67 %")).toBeInTheDocument();
  expect(screen.getAllByRole("cell").map((c) => c.textContent)).toEqual(["on", "not for this copy", "on", "open"]);
});

test("a great many copies are shown in part until they are asked for", async () => {
  copies = Array.from({ length: 130 }, () => "..");
  show();
  await userEvent.click(await screen.findByRole("button", { name: "All 130 copies" }));
  expect(screen.getAllByRole("row")).toHaveLength(130);
});
