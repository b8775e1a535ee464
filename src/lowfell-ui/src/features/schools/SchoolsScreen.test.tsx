import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, test, vi } from "vitest";
import { queryClient } from "../../api/client";
import { craft } from "../../api/words";
import { SchoolsScreen } from "./SchoolsScreen";

const usual = Object.fromEntries(craft().schools.map((s) => [s.id, s.choices[0]!.value]));
const put = vi.fn<(body: unknown) => void>();

const json = (body: unknown) => new Response(JSON.stringify(body), { headers: { "content-type": "application/json" } });

beforeEach(() => {
  put.mockClear();
  vi.stubGlobal(
    "fetch",
    vi.fn(async (request: Request) => {
      const { pathname } = new URL(request.url);
      const effects = /schools\/(\w+)\/effects/.exec(pathname);
      if (effects) {
        const school = craft().schools.find((s) => s.id === effects[1])!;
        return json({
          school: school.id,
          ofStacks: 5,
          choices: school.choices.map((c, i) => ({
            value: c.value,
            minutes: i * 12,
            waitHours: 0,
            coats: i,
            ml: 0,
            asked: 0,
            spared: 0,
            stacks: i,
            moved: 0,
          })),
        });
      }
      if (request.method === "PUT") {
        const schools = await request.json();
        put(schools);
        return json({ id: "b", name: "Bench", schools });
      }
      return json({ id: "b", name: "Bench", schools: usual });
    }),
  );
});

function show() {
  render(
    <QueryClientProvider client={queryClient}>
      <SchoolsScreen />
    </QueryClientProvider>,
  );
}

test("every question of the host is asked, the usual answer first", async () => {
  show();
  for (const school of craft().schools) {
    const group = await screen.findByRole("radiogroup", { name: school.question });
    const radios = within(group).getAllByRole("radio");
    expect(radios).toHaveLength(school.choices.length);
    expect(radios[0]).toBeChecked();
  }
});

test("an answer that is not in force says what it would do here", async () => {
  show();
  const group = await screen.findByRole("radiogroup", { name: "How much wash" });
  expect(await within(group).findByText("Here: +1 coat, +12 min of work; in 1 of 5 stacks.")).toBeVisible();
  expect(within(group).getAllByTestId("on-this-bench")).toHaveLength(1);
});

test("a choice is kept with the others as they were", async () => {
  show();
  const group = await screen.findByRole("radiogroup", { name: "How much wash" });
  await userEvent.click(within(group).getByRole("radio", { name: /One generous/ }));
  expect(put).toHaveBeenCalledWith({ ...usual, wash: "oneGenerous" });
  expect(within(group).getByRole("radio", { name: /One generous/ })).toBeChecked();
});
