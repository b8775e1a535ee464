import { act, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
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
afterEach(() => vi.useRealTimers());

test("a timer counts down, rings once, and says that it is ready", () => {
  const changed = vi.fn();
  const { rerender } = render(<Timers timers={[timer({})]} onChange={changed} onDry={() => {}} />);
  expect(screen.getByRole("timer")).toHaveTextContent("1 h 1 min");
  act(() => void vi.advanceTimersByTime(2 * 60_000));
  expect(screen.getByRole("timer")).toHaveTextContent("59 min");
  expect(changed).not.toHaveBeenCalled();
  act(() => void vi.advanceTimersByTime(60 * 60_000));
  expect(changed).toHaveBeenCalledWith([expect.objectContaining({ id: "t", rung: true })]);
  changed.mockClear();
  rerender(<Timers timers={[timer({ rung: true })]} onChange={changed} onDry={() => {}} />);
  act(() => void vi.advanceTimersByTime(5_000));
  expect(changed).not.toHaveBeenCalled();
  fireEvent.click(screen.getByRole("button", { name: "Put away" }));
  expect(changed).toHaveBeenCalledWith([]);
});

test("what is dry before its time is told, the soonest first", () => {
  const dry = vi.fn();
  const later = timer({ id: "later", label: "later", dryAt: now + 90 * 60_000 });
  render(<Timers timers={[later, timer({})]} onChange={() => {}} onDry={dry} />);
  expect(screen.getAllByRole("timer").map((t) => t.textContent)).toEqual(["1 h 1 min", "1 h 30 min"]);
  fireEvent.click(screen.getByRole("button", { name: "It is dry: Straight 1: Kelp Wash" }));
  expect(dry).toHaveBeenCalledWith(expect.objectContaining({ id: "t", copies: [1] }));
});

test("a timer of an older card, without its step, can only be put away", () => {
  render(<Timers timers={[timer({ step: undefined })]} onChange={() => {}} onDry={() => {}} />);
  expect(screen.queryByRole("button", { name: /It is dry/ })).toBeNull();
});
