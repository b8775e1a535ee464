import { QueryClientProvider } from "@tanstack/react-query";
import { act, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, test, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { PlanSummary, Solve } from "../../api/types";
import { planRequest } from "../../craft/planRequest";
import { Search } from "./Search";

const shown: PlanSummary = {
  doneOn: "2026-12-10",
  notBefore: "2026-12-01",
  evenings: 8,
  workMin: 600,
  setUps: 40,
  idleMin: 0,
  paintMl: 50,
  lateDays: 0,
};
const better = { ...shown, doneOn: "2026-12-08", setUps: 31, leastSetUps: 31 };
const solve = (part: Partial<Solve>): Solve => ({ id: "s1", status: "waiting", seconds: 10, message: "", ...part });
const calls: string[] = [];
let tell: (s: Solve) => void;
let closed = false;

class Events {
  constructor(readonly url: string) {
    calls.push(`GET ${url}`);
  }
  addEventListener(_: string, listener: (e: { data: string }) => void) {
    tell = (s) => act(() => listener({ data: JSON.stringify(s) }));
  }
  close() {
    closed = true;
  }
}

beforeEach(() => {
  calls.length = 0;
  closed = false;
  vi.stubGlobal("EventSource", Events);
  vi.stubGlobal(
    "fetch",
    vi.fn(async (request: Request) => {
      calls.push(`${request.method} ${new URL(request.url).pathname}`);
      return new Response(JSON.stringify(solve({})), {
        status: request.method === "POST" ? 202 : 200,
        headers: { "content-type": "application/json" },
      });
    }),
  );
});

const look = vi.fn();
const search = (held?: string) => (
  <QueryClientProvider client={queryClient}>
    <Search request={planRequest([], true)} shown={shown} looking={undefined} held={held} onLook={look} />
  </QueryClientProvider>
);
const show = () => render(search());

test("a search is begun, followed, its plan looked at, and put away once it is held", async () => {
  const { rerender } = show();
  await userEvent.click(screen.getByRole("button", { name: "Search for" }));
  expect(await screen.findByText("It waits for its turn.")).toBeInTheDocument();
  expect(calls).toContain("GET /api/plan/solves/s1/events");
  tell(
    solve({
      status: "running",
      progress: { stage: "finish", seconds: 4, summary: shown, proven: false, provenGrouped: false },
    }),
  );
  expect(screen.getByRole("progressbar")).toHaveAttribute("aria-valuenow", "4");
  expect(screen.getByText("Now looking whether it can be done sooner.")).toBeInTheDocument();
  tell(
    solve({
      status: "ended",
      planId: "p",
      progress: { stage: "ended", seconds: 10, summary: better, proven: true, provenGrouped: true },
    }),
  );
  expect(closed).toBe(true);
  expect(
    screen.getByText(/Found: done Tue 8 Dec, 8 evenings, 31 set-ups, and no plan is done sooner/),
  ).toBeInTheDocument();
  expect(
    screen.getByText("No such plan has fewer set-ups. Against the plan in force: 2 days sooner, 9 set-ups less."),
  ).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "Look at it" }));
  expect(look).toHaveBeenCalledWith({ name: "the plan that was found", planId: "p" });
  expect(calls.filter((c) => c.includes("held"))).toEqual([]);
  rerender(search("p"));
  expect(await screen.findByRole("button", { name: "Search for" })).toBeInTheDocument();
});

test("it is taken up again when the page comes back, and stopped", async () => {
  sessionStorage.setItem("lowfell.search", "s1");
  show();
  tell(
    solve({
      status: "running",
      progress: { stage: "setUps", seconds: 2, summary: shown, proven: true, provenGrouped: true },
    }),
  );
  await userEvent.click(screen.getByRole("button", { name: "Stop and take the best" }));
  expect(calls.at(-1)).toBe("DELETE /api/plan/solves/s1");
});

test("a search that failed says so and is put away", async () => {
  sessionStorage.setItem("lowfell.search", "s1");
  show();
  tell(solve({ status: "failed", message: "The host that searched was lost; the plan at once still stands." }));
  expect(screen.getByRole("alert")).toHaveTextContent("was lost");
  expect(screen.queryByRole("button", { name: "Look at it" })).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "Drop it" }));
  expect(sessionStorage.getItem("lowfell.search")).toBeNull();
});
