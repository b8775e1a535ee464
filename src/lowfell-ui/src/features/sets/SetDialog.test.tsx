import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test, vi } from "vitest";
import type { PieceView, SetDraft } from "../../api/types";
import { MatesField } from "./MatesField";
import { SetDialog } from "./SetDialog";

test("a set has a name, a scale and a distance it is looked at from", async () => {
  const onSave = vi.fn<(draft: SetDraft) => Promise<void>>(async () => {});
  render(<SetDialog onClose={() => {}} onSave={onSave} />);
  await userEvent.type(screen.getByLabelText("Name"), "Lighthouse");
  await userEvent.clear(screen.getByLabelText("Scale, 1 to"));
  await userEvent.type(screen.getByLabelText("Scale, 1 to"), "72");
  await userEvent.click(screen.getByRole("button", { name: "Keep" }));
  expect(onSave).toHaveBeenCalledWith({ name: "Lighthouse", scale: 72, viewingMm: 1000 });
});

test("a scale of nothing is refused where it stands", async () => {
  const onSave = vi.fn(async () => {});
  render(<SetDialog onClose={() => {}} onSave={onSave} />);
  await userEvent.type(screen.getByLabelText("Name"), "Lighthouse");
  await userEvent.clear(screen.getByLabelText("Scale, 1 to"));
  await userEvent.type(screen.getByLabelText("Scale, 1 to"), "0");
  await userEvent.click(screen.getByRole("button", { name: "Keep" }));
  expect(screen.getByRole("alert")).toHaveTextContent("1 to 1000");
  expect(onSave).not.toHaveBeenCalled();
});

const piece = (id: string, name: string, zones: string[]): PieceView =>
  ({ id, piece: { name }, zones: zones.map((z) => ({ id: z, settings: { name: z } })) }) as unknown as PieceView;

test("a zone is joined to zones of other pieces, with a gap", async () => {
  const [gate, wall] = [piece("gate", "Gate", ["leaf"]), piece("wall", "Wall", ["slot", "top"])];
  const onChange = vi.fn();
  const { rerender } = render(<MatesField piece={gate} siblings={[gate, wall]} mates={[]} onChange={onChange} />);
  await userEvent.click(screen.getByRole("button", { name: "Joined part" }));
  expect(onChange).toHaveBeenCalledWith([{ zoneId: "slot", clearanceMm: 0.2 }]);
  rerender(
    <MatesField
      piece={gate}
      siblings={[gate, wall]}
      mates={[{ zoneId: "slot", clearanceMm: 0.2 }]}
      onChange={onChange}
    />,
  );
  await userEvent.clear(screen.getByLabelText("Gap"));
  await userEvent.type(screen.getByLabelText("Gap"), "0.5");
  expect(onChange).toHaveBeenLastCalledWith([{ zoneId: "slot", clearanceMm: 0.5 }]);
  await userEvent.click(screen.getByRole("button", { name: "Not joined" }));
  expect(onChange).toHaveBeenLastCalledWith([]);
});

test("a piece that stands alone has nothing to be joined to", () => {
  const gate = piece("gate", "Gate", ["leaf"]);
  const { container } = render(<MatesField piece={gate} siblings={[gate]} mates={[]} onChange={() => {}} />);
  expect(container).toBeEmptyDOMElement();
});
