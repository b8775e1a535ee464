import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import { coat } from "../../test/samples";
import { DilutionEditor } from "./DilutionEditor";

const mix = {
  paintParts: 3,
  thinnerParts: 1,
  thinnerOfWhole: 25,
  thinnerAdded: 33.3,
  paintDrops: 4,
  thinnerDrops: 1,
  truePaintFraction: 0.741,
  totalMl: 12.4,
  paintMl: 9.3,
  thinnerMl: 3.1,
  times: 1,
};

describe("the dilution of a coat", () => {
  it("shows the other two ways beside the one that is meant", () => {
    render(<DilutionEditor coat={coat("a")} mix={mix} copies={8} onChange={() => {}} />);
    const said = screen.getByTestId("mix");
    expect(said).toHaveTextContent("25 % of the whole = 33.3 % added to the paint");
    expect(said).toHaveTextContent("4 drops + 1 of water truly make 74 % paint");
    expect(said).toHaveTextContent("All 8 copies take 12.4 ml: 9.3 paint, 3.1 thinner");
  });

  it("passes on the fraction that was typed", async () => {
    const onChange = vi.fn();
    render(<DilutionEditor coat={coat("a")} mix={mix} copies={1} onChange={onChange} />);
    const thinner = screen.getByLabelText("Parts of thinner");
    await userEvent.clear(thinner);
    await userEvent.type(thinner, "3");
    expect(onChange).toHaveBeenLastCalledWith("dilution", { paintFraction: 0.5 });
  });

  it("keeps what is out of bounds on the screen, marked, and to itself", async () => {
    const onChange = vi.fn();
    render(
      <DilutionEditor coat={coat("a", { dilutionForm: "thinnerOfWhole" })} mix={mix} copies={1} onChange={onChange} />,
    );
    const box = screen.getByLabelText("Thinner in the whole");
    await userEvent.clear(box);
    onChange.mockClear();
    await userEvent.type(box, "400");
    expect(box).toHaveValue("400");
    expect(box).toHaveAttribute("aria-invalid", "true");
    expect(onChange.mock.calls.every(([, part]) => (part as { paintFraction: number }).paintFraction > 0)).toBe(true);
    expect(onChange).toHaveBeenLastCalledWith("dilution", { paintFraction: 0.6 });
  });

  it("thins nothing that comes dry or in a can", () => {
    render(<DilutionEditor coat={coat("a", { technique: "pigment" })} mix={mix} copies={2} onChange={() => {}} />);
    expect(screen.getByTestId("mix")).toHaveTextContent("As it comes. Both copies take 12.4 ml.");
    expect(screen.queryByLabelText("Parts of paint")).toBeNull();
  });
});
