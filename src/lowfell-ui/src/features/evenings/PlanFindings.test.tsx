import { render, screen } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { expect, test } from "vitest";
import type { PlanFinding } from "../../api/types";
import { CopyCosts, PlanFindings } from "./PlanFindings";

const finding: PlanFinding = {
  rule: "clean-up-window",
  title: "Cleaned up outside its window",
  severity: "risk",
  zoneId: "z",
  coatId: "c",
  piece: "Hull",
  zone: "Hull panels",
  copies: [1, 2],
  at: "2026-11-26T21:00:00Z",
  what: "The pin wash has set: cleaning it up takes longer now.",
  why: "It comes off with fresh thinner and a stiff brush.",
  figure: "Until 3 h after it; 12 h have gone by.",
  remedy: "Fresh thinner, a stiff brush and swabs.",
};

test("what the times of the plan do is told with its remedy and its place", () => {
  render(
    <MemoryRouter>
      <PlanFindings findings={[finding]} />
    </MemoryRouter>,
  );
  expect(screen.getByText(finding.what)).toBeVisible();
  expect(screen.getByText(finding.remedy)).toBeVisible();
  expect(screen.getByRole("link", { name: "Hull, Hull panels" })).toHaveAttribute("href", "/zone/z");
  expect(screen.getByText(/1–2/)).toHaveTextContent("12 h have gone by");
});

test("a plan without trouble says nothing", () => {
  const { container } = render(
    <MemoryRouter>
      <PlanFindings findings={[]} />
      <CopyCosts costs={[]} />
    </MemoryRouter>,
  );
  expect(container).toBeEmptyDOMElement();
});

test("a copy says its work, its waits, and how many fill them", () => {
  render(
    <CopyCosts
      costs={[
        { pieceId: "p", piece: "Straight", copies: 8, minutes: 174, waitMin: 786, breakEven: 6, paletteMost: 5 },
        { pieceId: "q", piece: "Gate", copies: 2, minutes: 20, waitMin: 0, breakEven: 1 },
      ]}
    />,
  );
  const rows = screen.getAllByRole("row").slice(1);
  expect(rows[0]).toHaveTextContent("Straight × 8");
  expect(rows[0]).toHaveTextContent("2.9 h13.1 h65");
  expect(rows[1]).toHaveTextContent("none");
  expect(rows[1]).toHaveTextContent("any");
});
