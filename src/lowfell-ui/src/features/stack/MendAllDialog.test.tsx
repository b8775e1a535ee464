import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, test, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { MendedAll, Schools, ZonePage } from "../../api/types";
import { coat } from "../../test/samples";
import { MendAllDialog } from "./MendAllDialog";

const before = [coat("a"), coat("b", { technique: "pinWash", materialId: "tar" })];
const mended: MendedAll = {
  steps: [
    { rule: "sheen-under-pin-wash", what: "This pin wash goes on matt paint.", label: "Put a satin varnish between" },
  ],
  before: { stops: 0, risks: 2, notes: 0 },
  after: { stops: 0, risks: 0, notes: 0 },
  costBefore: { waitHours: 1, minutes: 30, ml: 4, coats: 2 },
  costAfter: { waitHours: 1.5, minutes: 33, ml: 7.4, coats: 3 },
  moved: { recess: 0, face: 0.3, edge: 0 },
  coats: [before[0]!, coat("v", { technique: "varnishSpray", materialId: "satin" }), before[1]!],
};
const names = new Map([
  ["tan", { name: "Rope Tan", colour: "#b59a6b" }],
  ["tar", { name: "Tar Wash", colour: "#2a211b" }],
  ["satin", { name: "Satin", colour: "#eeeeee" }],
]);

let answer: () => Response;

beforeEach(() => {
  vi.stubGlobal(
    "fetch",
    vi.fn(async () => answer()),
  );
});

function show() {
  const does = { onClose: vi.fn(), onTake: vi.fn() };
  render(
    <QueryClientProvider client={queryClient}>
      <MendAllDialog page={{ zone: {} } as ZonePage} coats={before} schools={{} as Schools} names={names} {...does} />
    </QueryClientProvider>,
  );
  return does;
}

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { "content-type": "application/json" } });

test("the stack stands beside the mended one, with what is mended and what it takes", async () => {
  answer = () => json(mended);
  const { onTake } = show();
  expect(await screen.findByText("Put a satin varnish between.")).toBeVisible();
  expect(screen.getByText("This pin wash goes on matt paint.")).toBeVisible();
  expect(
    screen.getByText(/\+30 min of waiting, \+3 min of work, \+1 coat, \+3.4 ml; face the same to the eye \(0\.3 dE\)/),
  ).toBeVisible();
  const [now, after] = [screen.getByRole("region", { name: "Now" }), screen.getByRole("region", { name: "Mended" })];
  expect(within(now).getByText(/2 risks left/)).toBeVisible();
  expect(within(now).queryByText(/Satin/)).toBeNull();
  expect(within(after).getByText(/nothing left/)).toBeVisible();
  expect(within(after).getByText("Varnish, sprayed, Satin")).toHaveClass("font-semibold");
  await userEvent.click(screen.getByRole("button", { name: "Take it" }));
  expect(onTake).toHaveBeenCalledWith(mended);
});

test("where no mend is better it says so", async () => {
  answer = () => json({ ...mended, steps: [] });
  show();
  expect(await screen.findByText(/No mend was found that is better/)).toBeVisible();
  expect(screen.queryByRole("button", { name: "Take it" })).toBeNull();
});

test("a refusal is shown in its own words", async () => {
  answer = () =>
    json(
      { title: "Some of what was sent can't be taken.", errors: { "coats[1]": ["Coat 2: it never was wet."] } },
      400,
    );
  show();
  expect(await screen.findByRole("alert")).toHaveTextContent(
    "Some of what was sent can't be taken. Coat 2: it never was wet.",
  );
});
