import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, test, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { PieceView, ZoneSettings, ZoneView } from "../../api/types";
import { host } from "../../test/host";
import { ZoneDialog } from "./ZoneDialog";
import { usual } from "./zoneForm";

const piece = {
  id: "wall",
  piece: { name: "Wall", heightMm: 40 },
  areaMm2: 20_000,
  zones: [{ id: "top", settings: { ...usual, name: "Top", areaShare: 0.4 } }],
} as unknown as PieceView;

const show = (zone?: Partial<ZoneSettings>) => {
  const onSave = vi.fn<(settings: ZoneSettings) => Promise<void>>(async () => {});
  render(
    <QueryClientProvider client={queryClient}>
      <ZoneDialog
        piece={piece}
        siblings={[]}
        fitted={false}
        zone={zone && ({ id: "top", settings: { ...usual, name: "Top", areaShare: 0.4, ...zone } } as ZoneView)}
        onClose={() => {}}
        onSave={onSave}
      />
    </QueryClientProvider>,
  );
  return onSave;
};
const keep = () => userEvent.click(screen.getByRole("button", { name: "Keep" }));
const folded = () => screen.getByText("More about this zone").closest("details")!;

beforeEach(() => {
  host({});
});

test("a zone asks its name, its texture and its share; the rest folds away", async () => {
  const onSave = show();
  expect(folded()).not.toHaveAttribute("open");
  expect(screen.getByLabelText("Share of the piece, %")).toHaveValue("60");
  await userEvent.type(screen.getByLabelText("Name"), "Stone courses");
  await userEvent.click(screen.getByRole("radio", { name: "rough, rubble" }));
  await userEvent.click(screen.getByRole("radio", { name: "a third" }));
  await keep();
  expect(onSave).toHaveBeenCalledWith(
    expect.objectContaining({
      name: "Stone courses",
      relief: "rough",
      areaShare: 0.33,
      facing: "side",
      finish: "matt",
    }),
  );
});

test("a zone that tells more stands open", () => {
  show({ creaseMm: 120 });
  expect(folded()).toHaveAttribute("open");
  expect(screen.getByLabelText(/Creases on one copy/)).toHaveValue("120");
});

test("a fault in what is folded away unfolds it, and nothing is sent", async () => {
  const onSave = show({ tolerance: 5 });
  expect(folded()).not.toHaveAttribute("open");
  const tolerance = screen.getByLabelText("Tolerance, dE");
  await userEvent.clear(tolerance);
  await userEvent.type(tolerance, "900");
  await keep();
  expect(folded()).toHaveAttribute("open");
  expect(onSave).not.toHaveBeenCalled();
});

test("what is told comes back as it was, to the last digit", async () => {
  const onSave = show({
    smallestDetailMm: 0.734_512,
    heightFromMm: 4,
    heightToMm: 22,
    litEdges: 0.5,
    target: "#aabbcc",
  });
  await keep();
  expect(onSave).toHaveBeenCalledWith(
    expect.objectContaining({
      smallestDetailMm: 0.734_512,
      heightFromMm: 4,
      heightToMm: 22,
      litEdges: 0.5,
      target: "#aabbcc",
    }),
  );
});
