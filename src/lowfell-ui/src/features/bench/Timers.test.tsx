import { act, fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";
import { Timers, type Timer } from "./Timers";

const now = new Date("2026-11-26T20:00:00Z").getTime();
const timer = (part: Partial<Timer>): Timer => ({
  id: "t",
  label: "Straight 1: Kelp Wash",
  dryAt: now + 61 * 60_000,
  rung: false,
  step: { zoneId: "z", coatId: "c", pass: 1 },
  copies: [1],
  ...part,
});

beforeEach(() => {
  vi.useFakeTimers();
  vi.setSystemTime(now);
});

test("a timer counts down, rings once, and says that it is ready", () => {
  const rung = vi.fn();
  const away = vi.fn();
  const card = (t: Timer) => <Timers timers={[t]} onRung={rung} onPutAway={away} onDry={() => {}} />;
  const { rerender } = render(card(timer({})));
  expect(screen.getByRole("timer")).toHaveTextContent("1 h 1 min");
  act(() => void vi.advanceTimersByTime(2 * 60_000));
  expect(screen.getByRole("timer")).toHaveTextContent("59 min");
  expect(rung).not.toHaveBeenCalled();
  act(() => void vi.advanceTimersByTime(60 * 60_000));
  expect(rung).toHaveBeenCalledWith(["t"]);
  rung.mockClear();
  rerender(card(timer({ rung: true })));
  act(() => void vi.advanceTimersByTime(5_000));
  expect(rung).not.toHaveBeenCalled();
  fireEvent.click(screen.getByRole("button", { name: "Hide it" }));
  expect(away).toHaveBeenCalledWith(expect.objectContaining({ id: "t" }));
});

test("what is dry before its time is told, the soonest first", () => {
  const dry = vi.fn();
  const later = timer({ id: "later", label: "later", dryAt: now + 90 * 60_000 });
  render(<Timers timers={[later, timer({})]} onRung={() => {}} onPutAway={() => {}} onDry={dry} />);
  expect(screen.getAllByRole("timer").map((t) => t.textContent)).toEqual(["1 h 1 min", "1 h 30 min"]);
  fireEvent.click(screen.getByRole("button", { name: "It is dry: Straight 1: Kelp Wash" }));
  expect(dry).toHaveBeenCalledWith(expect.objectContaining({ id: "t", copies: [1] }));
});

test("a timer of an older card, without its step, can only be put away", () => {
  render(<Timers timers={[timer({ step: undefined })]} onRung={() => {}} onPutAway={() => {}} onDry={() => {}} />);
  expect(screen.queryByRole("button", { name: /It is dry/ })).toBeNull();
});
