import { QueryClientProvider, useQuery } from "@tanstack/react-query";
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import { createElement } from "react";
import { beforeEach, expect, test } from "vitest";
import { Problem, queryClient } from "./client";
import { askOrLast, forgetAnswers, keepLastAnswers, lastAnswer } from "./lastAnswers";

beforeEach(async () => {
  await forgetAnswers();
});

const gone = (status: number) => () => Promise.reject(new Problem(status, "no", {}, null));

test("where nobody answers the last answer stands in, and only there", async () => {
  await askOrLast("craft", async () => "words");
  await waitFor(async () => expect(await lastAnswer("craft")).toBe("words"));
  for (const status of [0, 502, 503]) expect(await askOrLast("craft", gone(status))).toBe("words");
  for (const status of [404, 409, 429, 500]) await expect(askOrLast("craft", gone(status))).rejects.toThrow("no");
  await expect(askOrLast("other", gone(0))).rejects.toThrow("no");
});

test("a screen draws what it last showed after a reload without the host; of a draft the last one is kept", async () => {
  keepLastAnswers();
  let answer: () => Promise<unknown> = async () => "as it was";
  const Shows = ({ of }: { of: unknown[] }) =>
    String(useQuery({ queryKey: of, queryFn: () => answer(), retry: false }).data ?? "nothing");
  const show = (of: unknown[]) =>
    render(createElement(QueryClientProvider, { client: queryClient }, createElement(Shows, { of })));
  show(["zone", "z"]);
  await screen.findByText("as it was");
  cleanup();
  show(["preview", "draft 1"]);
  await screen.findByText("as it was");
  cleanup();
  show(["search", "q"]);
  await screen.findByText("as it was");
  cleanup();
  await waitFor(async () => expect(await lastAnswer('["preview","draft 1"]')).toBe("as it was"));
  queryClient.clear();
  answer = gone(0);
  show(["zone", "z"]);
  await screen.findByText("as it was");
  cleanup();
  show(["preview", "draft 1"]);
  await screen.findByText("as it was");
  cleanup();
  show(["search", "q"]);
  await screen.findByText("nothing");
});
