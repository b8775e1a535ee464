import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it, vi } from "vitest";
import { Choice } from "./Choice";
import { matching } from "./matching";

const many = Array.from({ length: 200 }, (_, i) => ({
  value: `z${i}`,
  label: `Wall ${i}: Plaster`,
  group: i < 100 ? "Saltmarsh" : "Quay",
}));

it("finds by every word, in the name or in its group", () => {
  expect(matching(many, "quay 17").map((o) => o.value)).toEqual(["z117", ...many.slice(170, 180).map((o) => o.value)]);
  expect(matching(many, "  ")).toHaveLength(200);
  expect(matching(many, "nowhere")).toHaveLength(0);
});

it("asks for a part of the name where there are too many to list", async () => {
  const chosen = vi.fn();
  render(<Choice label="Zone" value="z3" options={many} onChange={chosen} />);
  await userEvent.click(await screen.findByRole("button", { name: "Zone: Wall 3: Plaster" }));
  expect(screen.getAllByRole("option")).toHaveLength(60);
  expect(screen.getByText("60 of 200: type more of the name.")).toBeTruthy();
  await userEvent.type(screen.getByRole("combobox"), "quay 150");
  expect(screen.getAllByRole("option")).toHaveLength(1);
  await userEvent.keyboard("{Enter}");
  expect(chosen).toHaveBeenCalledExactlyOnceWith("z150");
});

it("stays a plain list where all can be seen", () => {
  render(<Choice label="Zone" value="z3" options={many.slice(0, 60)} onChange={() => undefined} />);
  expect(screen.getByRole("combobox", { name: "Zone" })).toBeTruthy();
});
