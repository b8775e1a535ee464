import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import type { ComponentType } from "react";
import { createMemoryRouter, Outlet, RouterProvider } from "react-router";
import { expect, test } from "vitest";
import { queryClient } from "../api/client";
import { inFrame } from "./routes";
import type { Place, View } from "./screens";

const placeOf = (path: string, load: View["load"]): Place => ({
  label: path,
  key: path,
  help: path,
  views: [{ path, label: path, help: path, load }],
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
        children: [inFrame([placeOf("/fine", () => Promise.resolve(() => <p>Fine</p>)), placeOf("/bad", load)])],
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
