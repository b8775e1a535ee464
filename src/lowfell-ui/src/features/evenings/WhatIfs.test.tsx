import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { PlanRequest } from "../../api/types";
import { host } from "../../test/host";
import { WhatIfs } from "./WhatIfs";

const summary = { doneOn: "2026-11-29", workMin: 90, evenings: 3, sessions: 3, setUps: 4, idleMin: 10 };
const way = (name: string) => ({ name, summary, request: name === "as planned" ? null : { withoutOptional: true } });

const show = (onLook = vi.fn()) => {
  render(
    <QueryClientProvider client={queryClient}>
      <WhatIfs request={{} as PlanRequest} looking={undefined} onLook={onLook} />
    </QueryClientProvider>,
  );
  return onLook;
};

test("ways come as they are tried, asked on until there are no more", async () => {
  let go = () => {};
  const second = new Promise<void>((done) => (go = done));
  const pages = [
    { ways: [way("as planned"), way("without varnish")], next: 1 },
    { ways: [way("2 copies at a time")], next: null },
  ];
  const sent = host({ "POST /api/plan/what-ifs": () => pages.shift() });
  const plain = globalThis.fetch;
  vi.stubGlobal("fetch", async (request: Request) => {
    if (request.url.includes("from=1")) await second;
    return plain(request);
  });
  const onLook = show();
  await screen.findByRole("button", { name: /without varnish/ });
  expect(screen.getByText("Trying other ways…")).toBeInTheDocument();
  go();
  await userEvent.click(await screen.findByRole("button", { name: /2 copies at a time/ }));
  expect(onLook).toHaveBeenCalledWith({ name: "2 copies at a time", request: { withoutOptional: true } });
  await waitFor(() => expect(screen.queryByText("Trying other ways…")).toBeNull());
  expect(sent).toHaveLength(2);
});

test("where the host refuses to go on, what was tried stands, with the reason", async () => {
  const pages: unknown[] = [{ ways: [way("as planned"), way("without varnish")], next: 1 }];
  const sent = host({
    "POST /api/plan/what-ifs": () =>
      pages.shift() ?? Response.json({ title: "The set is gone.", errors: {} }, { status: 404 }),
  });
  show();
  expect(await screen.findByRole("alert")).toHaveTextContent("The set is gone.");
  expect(screen.getByRole("button", { name: /without varnish/ })).toBeInTheDocument();
  // Tried twice, then left.
  expect(sent).toHaveLength(3);
});
