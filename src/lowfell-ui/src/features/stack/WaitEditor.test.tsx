import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test, vi } from "vitest";
import type { Coat, Stratum } from "../../api/types";
import { coat } from "../../test/samples";
import { WaitEditor } from "./WaitEditor";

const stratum = (wait: Stratum["wait"]): Stratum => ({ wait, touchMin: 10, recoatMin: 20, curedH: 24 }) as Stratum;

function show(part: { coat?: Coat; first?: boolean; wait?: Stratum["wait"] } = {}) {
  const onChange = vi.fn<(field: string, change: (coat: Coat) => Coat) => void>();
  const own = part.coat ?? coat("a");
  render(
    <WaitEditor
      coat={own}
      first={part.first ?? false}
      stratum={stratum(part.wait ?? { kind: "recoat", minutes: 36, film: "primer" })}
      air={{ temperatureC: 20, humidity: 0.5, fan: false }}
      onChange={onChange}
    />,
  );
  return { last: () => onChange.mock.lastCall![1](own), onChange };
}

test("it says what the coat waits for, and takes another wait", async () => {
  const { last } = show();
  expect(screen.getByTestId("wait")).toHaveTextContent("Waits 36 min, until the primer takes another coat");
  await userEvent.type(screen.getByLabelText("Own wait, minutes"), "90");
  expect(last().waitMinutes).toBe(90);
});

test("a wait below zero is not passed on", async () => {
  const { onChange } = show();
  await userEvent.type(screen.getByLabelText("Own wait, minutes"), "-5");
  expect(onChange.mock.calls.every(([, change]) => (change(coat("a")).waitMinutes ?? 0) >= 0)).toBe(true);
  expect(screen.getByLabelText("Own wait, minutes")).toHaveAttribute("aria-invalid", "true");
});

test("a wait that is too short says what it wants", () => {
  show({ coat: coat("a", { waitMinutes: 5 }), wait: { kind: "recoat", minutes: 5, needed: 36, film: "primer" } });
  expect(screen.getByText("It wants 36 min.")).toBeVisible();
});

test("an emptied wait is as long as it needs again", async () => {
  const { last } = show({ coat: coat("a", { waitMinutes: 9 }) });
  await userEvent.clear(screen.getByLabelText("Own wait, minutes"));
  expect("waitMinutes" in last()).toBe(false);
});

test("into wet paint there is nothing to wait for", async () => {
  const { last } = show({ coat: coat("a", { waitMinutes: 9 }) });
  await userEvent.click(screen.getByLabelText("Into wet paint, while the coat below is open"));
  expect(last()).toMatchObject({ whileWet: true });
  expect(last().waitMinutes).toBeUndefined();
});

test("the first coat waits for nothing", () => {
  show({ first: true });
  expect(screen.queryByTestId("wait")).toBeNull();
  expect(screen.queryByLabelText("Into wet paint, while the coat below is open")).toBeNull();
  expect(screen.getByLabelText(/Hurried with warm air/)).toBeVisible();
});
