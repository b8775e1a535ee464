import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, test } from "vitest";
import { queryClient } from "../../api/client";
import { host, type Sent } from "../../test/host";
import { OneForBoth } from "./OneForBoth";

const pair = {
  keepId: "k",
  keep: "Rope Tan",
  keepColour: "#b59a6b",
  dropId: "d",
  drop: "Net Tan",
  dropColour: "#b39a6e",
  words: "the same to the eye",
  deltaE: 0.6,
  where: "Straight, Walkway",
  zones: 3,
  elsewhere: 1,
  setUps: 3,
  minutes: 11,
  schemes: [{ schemeId: "s", version: 4 }],
};
let pairs = [pair];
let sent: Sent[];

beforeEach(() => {
  pairs = [pair];
  sent = host({
    "POST /fewer": () => {
      pairs = [];
      return [];
    },
    "GET /fewer": () => pairs,
  });
});

const show = () =>
  render(
    <QueryClientProvider client={queryClient}>
      <OneForBoth setId="1" />
    </QueryClientProvider>,
  );

test("a pair says what it saves, how it is seen and where else it counts", async () => {
  show();
  await userEvent.click(await screen.findByRole("button", { name: "One paint could do for two" }));
  const list = screen.getByTestId("one-for-both");
  expect(list).toHaveTextContent("Rope Tan for Net Tan too: 3 set-ups, 11 min less.");
  expect(list).toHaveTextContent("Finished zones stay the same to the eye (0.6 dE at most, in Straight, Walkway).");
  expect(list).toHaveTextContent("1 of the 3 zones are of other sets.");
});

test("taken, it is asked with the versions that were seen, and goes", async () => {
  show();
  await userEvent.click(await screen.findByRole("button", { name: /could do for two/ }));
  await userEvent.click(within(screen.getByTestId("one-for-both")).getByRole("button", { name: "Take it" }));
  expect(sent.find((s) => s.method === "POST")?.body).toEqual({ keepId: "k", dropId: "d", schemes: pair.schemes });
  await waitFor(() => expect(screen.getByTestId("one-for-both")).toBeEmptyDOMElement());
});

test("a set without such a pair says nothing", async () => {
  pairs = [];
  const { container } = show();
  await waitFor(() => expect(queryClient.isFetching()).toBe(0));
  expect(container.querySelector("button")).toBeNull();
});
