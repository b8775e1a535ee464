import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import type { ComponentType } from "react";
import { createMemoryRouter, Outlet, RouterProvider } from "react-router";
import { expect, test } from "vitest";
import { queryClient } from "../api/client";
import { inFrame } from "./routes";
import type { Screen } from "./screens";

const screenOf = (path: string, load: Screen["load"]): Screen => ({
  path,
  label: path,
  title: path,
  help: path,
  key: path,
  load,
});
const cutOff = undefined as unknown as ComponentType;

test.each([
  ["does not come", () => Promise.reject(new Error("no network"))],
  ["comes cut off", () => Promise.resolve(cutOff)],
  [
    "fails while it is drawn",
    () =>
      Promise.resolve(() => {
        throw new Error("a fault");
      }),
  ],
])("a screen that %s says so inside the frame", async (_, load) => {
  const router = createMemoryRouter(
    [
      {
        element: (
          <div>
            The frame <Outlet />
          </div>
        ),
        children: [inFrame([screenOf("/fine", () => Promise.resolve(() => <p>Fine</p>)), screenOf("/bad", load)])],
      },
    ],
    { initialEntries: ["/fine"] },
  );
  render(
    <QueryClientProvider client={queryClient}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
  await screen.findByText("Fine");
  await router.navigate("/bad");
  expect(await screen.findByRole("button", { name: "Try again" })).toBeInTheDocument();
  expect(screen.getByText(/The frame/)).toBeInTheDocument();
  await router.navigate("/fine");
  await screen.findByText("Fine");
});
