import { act, fireEvent, render, screen } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";
import { TermTips } from "./TermTips";

beforeEach(() => vi.useFakeTimers());

const show = () =>
  render(
    <>
      <label>
        Masstone <input data-testid="field" />
      </label>
      <input aria-label="plain" />
      <TermTips />
    </>,
  );
const wait = (ms: number) => act(() => vi.advanceTimersByTime(ms));
const focus = (of: HTMLElement) => {
  // No browser stands behind the test to tell how a field was come to.
  vi.spyOn(of, "matches").mockImplementation((selector: string) => selector === ":focus-visible");
  fireEvent.focusIn(of);
};

test("a field that the keyboard stays in has its words explained, until something is typed", () => {
  show();
  focus(screen.getByTestId("field"));
  wait(600);
  expect(screen.queryByRole("tooltip")).toBeNull();
  wait(700);
  expect(screen.getByRole("tooltip")).toHaveTextContent(/^masstone: The colour of a paint so thick/);
  fireEvent.keyDown(screen.getByTestId("field"), { key: "a" });
  expect(screen.queryByRole("tooltip")).toBeNull();
});

test("passing on, or a field of plain words, shows nothing", () => {
  show();
  focus(screen.getByTestId("field"));
  wait(300);
  fireEvent.focusOut(screen.getByTestId("field"));
  focus(screen.getByLabelText("plain"));
  wait(3000);
  expect(screen.queryByRole("tooltip")).toBeNull();
});
