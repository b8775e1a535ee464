import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test, vi } from "vitest";
import type { Coat, ZonePage } from "../../api/types";
import { coat } from "../../test/samples";
import { MarksEditor } from "./MarksEditor";

const page = (part: Partial<ZonePage["zone"]> = {}): ZonePage => ({ zone: { scale: 56, ...part } }) as ZonePage;

function show(own: Coat, at: ZonePage = page()) {
  const onChange = vi.fn<(field: string, change: (coat: Coat) => Coat) => void>();
  const { container } = render(<MarksEditor page={at} coat={own} onChange={onChange} />);
  return { container, last: () => onChange.mock.lastCall![1](own) };
}

test("a coat of marks is told by number and size, with its size in life", async () => {
  const { last } = show(coat("a", { technique: "streak", marks: { count: 12, widthMm: 0.5, lengthMm: 5 } }));
  expect(screen.getByText("2.8 by 28 cm in life, at 1:56")).toBeVisible();
  await userEvent.click(screen.getByLabelText("Counted marks"));
  expect("marks" in last()).toBe(false);
});

test("marks begin with a count", async () => {
  const { last } = show(coat("a", { technique: "spongeChipping" }));
  await userEvent.click(screen.getByLabelText("Counted marks"));
  expect(last().marks).toMatchObject({ count: 12 });
});

test("what covers an area has no marks", () => {
  const { container } = show(coat("a", { technique: "baseCoat" }));
  expect(container).toBeEmptyDOMElement();
});

test("on a zone that goes by height a coat may fade", async () => {
  const { last } = show(coat("a"), page({ heightFromMm: 0, heightToMm: 24 }));
  await userEvent.click(screen.getByLabelText("Fades with height"));
  expect(last().fade).toEqual({ fullMm: 0, noneMm: 24 });
});

test("a fade is given up without a trace", async () => {
  const { last } = show(coat("a", { fade: { fullMm: 0, noneMm: 12 } }), page({ heightFromMm: 0, heightToMm: 24 }));
  await userEvent.click(screen.getByLabelText("Fades with height"));
  expect("fade" in last()).toBe(false);
});

test("marks may say what they are meant as, also where a plan has put them under another technique", async () => {
  const { last } = show(coat("a", { technique: "streak", marks: { count: 12, widthMm: 0.5, lengthMm: 5 } }));
  await userEvent.click(screen.getByRole("combobox", { name: "Meant as" }));
  await userEvent.click(screen.getByRole("option", { name: "rust run" }));
  expect(last().marks).toMatchObject({ count: 12, kind: "rust" });
});

test("a strip of a plan is told by its size and can be anything again", async () => {
  const strip = { count: 4, widthMm: 82, lengthMm: 22, kind: "damp" as const, stripMm2: 7216 };
  const { last } = show(coat("a", { technique: "glaze", marks: strip }));
  await userEvent.click(screen.getByRole("combobox", { name: "Meant as" }));
  await userEvent.click(screen.getByRole("option", { name: "nothing in particular" }));
  expect(last().marks?.kind ?? null).toBeNull();
});
