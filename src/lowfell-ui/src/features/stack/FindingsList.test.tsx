import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import { coat, finding } from "../../test/samples";
import { FindingsList } from "./FindingsList";

describe("what the rules find", () => {
  it("says what, why and where, and mends on a press", async () => {
    const onMend = vi.fn();
    const found = finding();
    render(
      <FindingsList
        findings={[found]}
        shown={null}
        failed={null}
        coats={[coat("a")]}
        onShow={() => {}}
        onMend={onMend}
      />,
    );
    expect(screen.getByText("One generous wash.")).toBeVisible();
    expect(screen.getByText("It pools.")).toBeVisible();
    expect(screen.getByRole("img", { name: "Risk" })).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: /Split it in two/ }));
    expect(onMend).toHaveBeenCalledWith(found, "split");
  });

  it("says so when nothing is found, and when nothing could be asked", () => {
    const { rerender } = render(
      <FindingsList findings={[]} shown={null} failed={null} coats={[coat("a")]} onShow={() => {}} onMend={() => {}} />,
    );
    expect(screen.getByText(/Nothing will go wrong/)).toBeVisible();
    rerender(
      <FindingsList
        findings={[]}
        shown={null}
        failed="Lowfell does not answer."
        coats={[coat("a")]}
        onShow={() => {}}
        onMend={() => {}}
      />,
    );
    expect(screen.getByRole("alert")).toHaveTextContent("Lowfell does not answer.");
  });
});
