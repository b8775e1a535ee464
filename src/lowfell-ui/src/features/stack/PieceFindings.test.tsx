import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { expect, test, vi } from "vitest";
import type { PieceFinding, PieceJudgement, ZonePage } from "../../api/types";
import { PieceFindings } from "./PieceFindings";

const page = {
  id: "wall",
  around: {
    zones: [
      { id: "trim", name: "Trim" },
      { id: "wall", name: "Wall" },
    ],
  },
} as unknown as ZonePage;

const finding = (part: Partial<PieceFinding> = {}): PieceFinding => ({
  rule: "overspray-neighbour",
  title: "Spray on a finished neighbour",
  severity: "note",
  zoneId: "wall",
  coatId: "c",
  withZoneId: "trim",
  what: "This sprayed coat also lands on Trim.",
  why: "Fine mist settles on everything beside it.",
  advice: "Mask Trim: that is quicker than repainting it.",
  figure: "Masking takes about 6 min on all copies, touching up 20 min.",
  minutes: 6,
  mark: "m",
  ...part,
});

function show(judgement: PieceJudgement | undefined) {
  const does = { onShow: vi.fn(), onKnow: vi.fn() };
  const view = render(
    <MemoryRouter>
      <PieceFindings page={page} judgement={judgement} {...does} />
    </MemoryRouter>,
  );
  return { ...does, ...view };
}

test("a finding over the piece leads to its coat, and says what it costs", async () => {
  const found = finding();
  const { onShow } = show({ findings: [found] });
  await userEvent.click(screen.getByRole("button", { name: /also lands on Trim/ }));
  expect(onShow).toHaveBeenCalledWith(found);
  expect(screen.getByText(/that is quicker than repainting/)).toBeVisible();
  expect(screen.getByText(/Masking takes about 6 min/)).toBeVisible();
});

test("two rules about one coat beside one zone are one row, and rest together", async () => {
  const messy = finding({ rule: "messy-after-neat", advice: "Paint Wall first.", figure: "About 20 min." });
  const spray = finding();
  const { onKnow } = show({ findings: [messy, spray] });
  expect(screen.getAllByRole("listitem")).toHaveLength(1);
  await userEvent.click(screen.getByRole("button", { name: /also lands on Trim/ }));
  expect(screen.getByText(/Paint Wall first/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "I know…" }));
  await userEvent.type(screen.getByRole("textbox"), "it is masked");
  await userEvent.click(screen.getByRole("button", { name: "Set it aside" }));
  expect(onKnow).toHaveBeenCalledWith([messy, spray], "it is masked");
});

test("what another zone does is looked at there", async () => {
  const { onShow } = show({
    findings: [finding({ zoneId: "trim", withZoneId: "wall", what: "This dry brush lands on Wall." })],
  });
  await userEvent.click(screen.getByRole("button", { name: /lands on Wall/ }));
  expect(onShow).not.toHaveBeenCalled();
  expect(screen.getByRole("link", { name: "Go to Trim" })).toHaveAttribute("href", "/zone/trim");
});

test("a finding at rest says why, and may speak again", async () => {
  const found = finding({ rests: "it is masked" });
  const { onKnow } = show({ findings: [found] });
  await userEvent.click(screen.getByRole("button", { name: /it is masked/ }));
  await userEvent.click(screen.getByRole("button", { name: "Show it again" }));
  expect(onKnow).toHaveBeenCalledWith([found], null);
});

test("a better order says by how much", () => {
  show({ findings: [], better: { zoneIds: ["wall", "trim"], savesMinutes: 25 } });
  expect(screen.getByTestId("better-order")).toHaveTextContent("Painted in the order Wall, Trim it takes 25 min less");
});

test("a piece without trouble says nothing", () => {
  expect(show({ findings: [] }).container).toBeEmptyDOMElement();
  expect(show(undefined).container).toBeEmptyDOMElement();
});
