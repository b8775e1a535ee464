import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, test } from "vitest";
import { queryClient } from "../../api/client";
import { host } from "../../test/host";
import { FollowCalendar } from "./FollowCalendar";

let exists = false;
beforeEach(() => {
  exists = false;
  host({
    "GET /feed": () => ({ exists, version: 1 }),
    "POST /feed": () => {
      exists = true;
      return { exists, version: 2, path: "/api/plan/feed/secret.ics" };
    },
    "DELETE /feed": () => {
      exists = false;
      return new Response(null, { status: 204 });
    },
  });
});

const show = async () => {
  render(
    <QueryClientProvider client={queryClient}>
      <FollowCalendar sets={[]} />
    </QueryClientProvider>,
  );
  await userEvent.click(screen.getByRole("button", { name: "To my calendar" }));
};

test("an address is shown as it is made, and can be ended", async () => {
  await show();
  await userEvent.click(await screen.findByRole("button", { name: "Make an address to follow" }));
  expect(await screen.findByLabelText(/Address for a calendar program/)).toHaveValue(
    `${location.origin}/api/plan/feed/secret.ics`,
  );
  await userEvent.click(screen.getByRole("button", { name: "End it" }));
  expect(await screen.findByRole("button", { name: "Make an address to follow" })).toBeVisible();
});

test("one that was made before is not shown again, but a new one can be made", async () => {
  exists = true;
  await show();
  expect(await screen.findByText(/Its address was shown as it was made/)).toBeVisible();
  expect(screen.queryByLabelText(/Address for a calendar program/)).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "A new address" }));
  expect(await screen.findByLabelText(/Address for a calendar program/)).toBeVisible();
});
