import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test, vi } from "vitest";
import { EarlyDialog } from "./EarlyDialog";

test("a coat that comes too soon is laid only when the painter says so", async () => {
  const [onWait, onLay] = [vi.fn(), vi.fn()];
  render(<EarlyDialog minutes={12} what="wash Kelp Wash" onWait={onWait} onLay={onLay} />);
  expect(screen.getByRole("dialog", { name: "12 minutes early: lay it all the same?" })).toBeVisible();
  expect(screen.getByText("What is below still has to dry before the wash Kelp Wash.")).toBeVisible();
  expect(screen.getByRole("button", { name: "Wait" })).toHaveFocus();
  await userEvent.click(screen.getByRole("button", { name: "Lay it all the same" }));
  expect(onLay).toHaveBeenCalledOnce();
  await userEvent.keyboard("{Escape}");
  expect(onWait).toHaveBeenCalledOnce();
});

test("one minute is one", () => {
  render(<EarlyDialog minutes={1} what="wash" onWait={() => {}} onLay={() => {}} />);
  expect(screen.getByRole("dialog", { name: /^1 minute early/ })).toBeVisible();
});
