import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, test, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { HeldPlan as Held, Plan, PlanSummary } from "../../api/types";
import { HeldPlan } from "./HeldPlan";
import { planRequest } from "../../craft/planRequest";

const summary: PlanSummary = {
  doneOn: "2026-12-10",
  notBefore: "2026-12-01",
  evenings: 8,
  workMin: 600,
  setUps: 40,
  idleMin: 0,
  paintMl: 50,
  lateDays: 0,
};
const held: Held = {
  id: "p",
  madeAt: "2026-11-25T20:00:00Z",
  request: planRequest([], true),
  slipped: 0,
  missing: 0,
  gone: 0,
  facts: [],
};
const plan = (kept?: Held): Plan => ({ summary, kept, steps: 3, calendar: [{ steps: [] }] }) as unknown as Plan;
const calls: string[] = [];

beforeEach(() => {
  calls.length = 0;
  vi.stubGlobal(
    "fetch",
    vi.fn(async (request: Request) => {
      calls.push(`${request.method} ${new URL(request.url).pathname}`);
      return new Response("{}", { headers: { "content-type": "application/json" } });
    }),
  );
});

const show = (kept?: Held) =>
  render(
    <QueryClientProvider client={queryClient}>
      <HeldPlan plan={plan(kept)} request={planRequest(["s"], true)} />
    </QueryClientProvider>,
  );

test("a plan that is not held can be", async () => {
  show();
  await userEvent.click(screen.getByRole("button", { name: "Hold to this plan" }));
  expect(calls).toEqual(["PUT /api/plan/held"]);
});

test("what slipped, what is missing and what is gone is said, and the way on", async () => {
  show({ ...held, slipped: 1, missing: 4, gone: 2 });
  expect(screen.getByText(/1 step slipped: its evening is over and it is not done\./)).toHaveTextContent(
    "4 steps to be done are not in it. 2 steps of it are no longer in a stack. Plan again from now.",
  );
  await userEvent.click(screen.getByRole("button", { name: "Plan again from now" }));
  expect(calls).toEqual(["POST /api/plan/held/again"]);
});

test("a plan that stands says nothing of the kind, and has no other to go back to", () => {
  show(held);
  expect(screen.queryByText(/slipped/)).toBeNull();
  expect(screen.queryByRole("button", { name: "Put the one before back" })).toBeNull();
  expect(screen.queryByTestId("facts")).toBeNull();
});

test("it stands beside the one before, step by step", async () => {
  const moved = [1, 2, 3, 4, 5].map((n) => ({ what: `Wash ${n}`, from: "2026-12-01", to: "2026-12-03" }));
  show({ ...held, compared: { before: { ...summary, doneOn: "2026-12-08" }, after: summary, moved } });
  expect(screen.getByText("2 days later")).toBeInTheDocument();
  expect(screen.getAllByRole("listitem")).toHaveLength(3);
  expect(screen.getByText("Wash 1: Tue 1 Dec → Thu 3 Dec")).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "All 5" }));
  expect(screen.getAllByRole("listitem")).toHaveLength(5);
  await userEvent.click(screen.getByRole("button", { name: "Put the one before back" }));
  expect(calls).toEqual(["POST /api/plan/held/back"]);
});

test("an evening that is over is met by what was done", () => {
  const fact = { planned: 12, done: 10, later: 1, extra: 3, plannedMin: 100 };
  show({
    ...held,
    facts: [
      { ...fact, day: "2026-12-01", realMin: 95, measuredPlanMin: 80 },
      { ...fact, day: "2026-11-29" },
    ],
  });
  const [, first, second] = within(screen.getByTestId("facts")).getAllByRole("row");
  expect(first).toHaveTextContent("Tue 1 Dec10 of 121395 of 80 min");
  expect(second).toHaveTextContent("not taken; 100 min planned");
});
