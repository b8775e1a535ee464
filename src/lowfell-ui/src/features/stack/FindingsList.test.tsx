import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ComponentProps } from "react";
import { MemoryRouter } from "react-router";
import { describe, expect, it, vi } from "vitest";
import type { Mend } from "../../api/types";
import { coat, finding } from "../../test/samples";
import { FindingsList } from "./FindingsList";

const split: Mend = {
  id: "split",
  label: "Split it in two thinned washes",
  after: { stops: 0, risks: 0, notes: 0 },
  added: { waitHours: 0.5, minutes: 4, ml: 0, coats: 1 },
  moved: { recess: 1.2, face: 0, edge: 0 },
  coats: [],
};

function show(part: Partial<ComponentProps<typeof FindingsList>> = {}) {
  const does = { onShow: vi.fn(), onMend: vi.fn(), onMendAll: vi.fn(), onKnow: vi.fn() };
  render(
    <MemoryRouter>
      <FindingsList
        findings={[]}
        shown={null}
        mends={undefined}
        mendsFailed={null}
        failed={null}
        coats={[coat("a")]}
        {...does}
        {...part}
      />
    </MemoryRouter>,
  );
  return does;
}

describe("what the rules find", () => {
  it("says what, why and where, and keeps the figure and the mends for a press", async () => {
    const found = finding({ figure: "0.4 ml stands in the recess." });
    const { onShow, onMendAll } = show({ findings: [found] });
    expect(screen.getByText("One generous wash.")).toBeVisible();
    expect(screen.getByText("It pools.")).toBeVisible();
    expect(screen.getByRole("img", { name: "Risk" })).toBeVisible();
    expect(screen.queryByText(/0.4 ml/)).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: /One generous wash/ }));
    expect(onShow).toHaveBeenCalledWith(found);
    await userEvent.click(screen.getByRole("button", { name: "Mend all" }));
    expect(onMendAll).toHaveBeenCalledOnce();
  });

  it("tells of a finding that is looked at what each mend takes", async () => {
    const found = finding({ figure: "0.4 ml stands in the recess." });
    const { onMend } = show({ findings: [found], shown: found, mends: [split] });
    expect(screen.getByText(/0.4 ml/)).toBeVisible();
    expect(
      screen.getByText(
        "+30 min of waiting, +4 min of work, +1 coat; recess the same at arm's length (1.2 dE); nothing left",
      ),
    ).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: /Split it in two/ }));
    expect(onMend).toHaveBeenCalledWith(found, split);
  });

  it("lets a finding rest for a reason, and speak again", async () => {
    const found = finding();
    const { onKnow } = show({ findings: [found], shown: found, mends: [] });
    await userEvent.click(screen.getByRole("button", { name: "I know…" }));
    expect(screen.getByRole("button", { name: "Set it aside" })).toBeDisabled();
    await userEvent.type(screen.getByRole("textbox"), "the pools are meant");
    await userEvent.click(screen.getByRole("button", { name: "Set it aside" }));
    expect(onKnow).toHaveBeenCalledWith(found, "the pools are meant");
  });

  it("keeps what rests apart, without a mend", async () => {
    const found = finding({ rests: "the pools are meant" });
    const { onKnow } = show({ findings: [found], shown: found });
    expect(screen.getByText(/Nothing will go wrong/)).toBeVisible();
    expect(screen.getByText("“the pools are meant”")).toBeVisible();
    expect(screen.queryByRole("button", { name: "Mend all" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Show it again" }));
    expect(onKnow).toHaveBeenCalledWith(found, null);
  });

  it("names the school that decides", () => {
    const found = finding({ school: "Your school says two thin ones." });
    show({ findings: [found], shown: found, mends: [] });
    expect(screen.getByText(/Your school says two thin ones/)).toBeVisible();
    expect(screen.getByRole("link", { name: "Schools" })).toHaveAttribute("href", "/settings/schools");
  });

  it("says so when nothing could be asked", () => {
    show({ failed: "Lowfell does not answer." });
    expect(screen.getByRole("alert")).toHaveTextContent("Lowfell does not answer.");
  });
});
