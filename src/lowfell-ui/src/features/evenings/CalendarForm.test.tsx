import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test, vi } from "vitest";
import type { Calendar } from "../../api/types";
import { CalendarForm } from "./CalendarForm";

const calendar: Calendar = {
  version: 1,
  timeZone: "Europe/London",
  weekly: [
    { day: "tuesday", startMin: 1170, endMin: 1320 },
    { day: "thursday", startMin: 1200, endMin: 1380 },
    { day: "sunday", startMin: 570, endMin: 750 },
  ],
  exceptions: [],
  weeksAhead: 26,
  pauseMin: 5,
  room: { temperatureC: 17, humidity: 0.6, fan: false, cansFit: true },
};

const times = () => screen.getAllByLabelText(/^(Start|End) of evening/).map((e) => (e as HTMLInputElement).value);

test("an evening that is taken out leaves the others their times", async () => {
  render(<CalendarForm calendar={calendar} onKept={() => {}} />);
  expect(times()).toEqual(["19:30", "22:00", "20:00", "23:00", "09:30", "12:30"]);
  await userEvent.click(screen.getByRole("button", { name: "Take evening 1 out" }));
  expect(times()).toEqual(["20:00", "23:00", "09:30", "12:30"]);
});

test("a time that is being typed stays as it is typed", async () => {
  render(<CalendarForm calendar={calendar} onKept={() => {}} />);
  const start = screen.getByLabelText("Start of evening 2");
  await userEvent.clear(start);
  await userEvent.type(start, "18:4");
  expect(start).toHaveValue("18:4");
  expect(start).toHaveAttribute("aria-invalid", "true");
  await userEvent.type(start, "5");
  expect(start).toHaveAttribute("aria-invalid", "false");
});

test("what is kept is what is shown", async () => {
  const bodies: Calendar[] = [];
  vi.stubGlobal(
    "fetch",
    vi.fn(async (request: Request) => {
      bodies.push((await request.json()) as Calendar);
      return new Response("{}", { headers: { "content-type": "application/json" } });
    }),
  );
  render(<CalendarForm calendar={calendar} onKept={() => {}} />);
  await userEvent.click(screen.getByRole("button", { name: "Take evening 2 out" }));
  await userEvent.click(screen.getByRole("button", { name: "Keep" }));
  expect(bodies[0]!.weekly).toEqual([calendar.weekly[0], calendar.weekly[2]]);
});

test("the browser's own time zone is one press away", async () => {
  const here = new Intl.DateTimeFormat().resolvedOptions().timeZone;
  render(<CalendarForm calendar={{ ...calendar, timeZone: "Pacific/Apia" }} onKept={() => {}} />);
  await userEvent.click(screen.getByRole("button", { name: `Take this browser’s: ${here}` }));
  expect(screen.getByLabelText("Time zone")).toHaveValue(here);
  expect(screen.queryByRole("button", { name: /Take this browser/ })).toBeNull();
});

test("what was typed outlives the screen, and can be given up", async () => {
  const first = render(<CalendarForm calendar={calendar} onKept={() => {}} />);
  await userEvent.click(screen.getByRole("button", { name: "Take evening 1 out" }));
  first.unmount();
  render(<CalendarForm calendar={calendar} onKept={() => {}} />);
  expect(times()).toEqual(["20:00", "23:00", "09:30", "12:30"]);
  await userEvent.click(screen.getByRole("button", { name: "As it was kept" }));
  expect(times()).toHaveLength(6);
  expect(localStorage).toHaveLength(0);
});

test("an evening that ends after midnight is said as one", async () => {
  const bodies: Calendar[] = [];
  vi.stubGlobal(
    "fetch",
    vi.fn(async (request: Request) => {
      bodies.push((await request.json()) as Calendar);
      return new Response("{}", { headers: { "content-type": "application/json" } });
    }),
  );
  render(<CalendarForm calendar={calendar} onKept={() => {}} />);
  const end = screen.getByLabelText("End of evening 2");
  await userEvent.clear(end);
  await userEvent.type(end, "01:30");
  await userEvent.click(screen.getByRole("button", { name: "Keep" }));
  expect(bodies[0]!.weekly[1]).toEqual({ day: "thursday", startMin: 1200, endMin: 1530 });
});
