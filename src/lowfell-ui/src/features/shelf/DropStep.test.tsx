import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, test, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { Material } from "../../api/types";
import { DropStep } from "./DropStep";

afterEach(() => {
  vi.restoreAllMocks();
});

test("what the scale showed before the drops fell is never taken", async () => {
  let dropped = () => {};
  const onIt = new Promise<Response>((done) => (dropped = () => done(new Response(null, { status: 204 }))));
  vi.spyOn(globalThis, "fetch").mockImplementation((request) => {
    const { method, url } = request as Request;
    if (method === "POST" && url.endsWith("/api/devices/scale")) return onIt;
    return Promise.resolve(Response.json({ grams: 1.07, steady: true }));
  });
  queryClient.setQueryData(["scale"], { grams: 0, steady: true });
  const material = { id: "m", version: 1, facts: { dropsPerMl: 20 }, material: { name: "Gannet Yellow" } };
  render(
    <QueryClientProvider client={queryClient}>
      <DropStep material={material as unknown as Material} />
    </QueryClientProvider>,
  );
  await userEvent.click(screen.getByRole("button", { name: "Drip 20 on the scale" }));
  expect(screen.queryByTestId("scale")).toBeNull();
  dropped();
  await waitFor(() => expect(screen.getByTestId("scale")).toHaveTextContent("1.07 g"));
  expect(screen.getByRole("button", { name: "Take it" })).toBeEnabled();
});
