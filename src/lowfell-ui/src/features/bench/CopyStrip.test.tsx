import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test, vi } from "vitest";
import type { ZoneProgress } from "../../api/types";
import { CopyStrip } from "./CopyStrip";

const progress = {
  bare: ["#101010", "#202020", "#303030"],
  steps: [
    { coatId: "tan", pass: 1, what: "Base coat", look: ["#400000", "#500000", "#600000"] },
    { coatId: "wash", pass: 1, what: "Wash", look: ["#004000", "#005000", "#006000"] },
  ],
  copies: ["d.", "dd"],
} as unknown as ZoneProgress;

test("a copy that the step is for is touched, one that is further is only seen", async () => {
  const done = vi.fn();
  render(<CopyStrip copies={[1]} progress={progress} states={progress.copies} onDone={done} />);
  await userEvent.click(screen.getByRole("button", { name: "Copy 1 done" }));
  expect(done).toHaveBeenCalledWith(1);
  expect(screen.getByRole("img", { name: "Copy 2, 2 of 2 on" })).toBeInTheDocument();
  expect(screen.getAllByRole("button")).toHaveLength(1);
});

test("a mend of other copies is no step of this one", () => {
  render(<CopyStrip copies={[]} progress={progress} states={["d-", "d."]} onDone={() => {}} />);
  expect(screen.getByRole("img", { name: "Copy 1, 1 of 1 on" })).toBeInTheDocument();
  expect(screen.getByRole("img", { name: "Copy 2, 1 of 2 on" })).toBeInTheDocument();
});

test("without word of the others the step's own copies are there", () => {
  render(<CopyStrip copies={[3, 4]} progress={undefined} states={[]} onDone={() => {}} />);
  expect(screen.getAllByRole("button").map((b) => b.textContent)).toEqual(["3", "4"]);
});
