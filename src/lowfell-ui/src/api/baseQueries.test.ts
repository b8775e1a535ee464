import { beforeEach, expect, test, vi } from "vitest";
import { baseQueries, placesCame } from "./baseQueries";
import { queryClient } from "./client";

beforeEach(() => {
  vi.useFakeTimers();
});

test("paper waits for what goes where, and no longer than five seconds", async () => {
  let answer: ((r: Response) => void) | undefined;
  vi.stubGlobal("fetch", () => new Promise<Response>((go) => (answer = go)));
  const printed = vi.fn();
  const came = queryClient.fetchQuery(baseQueries.placement("zone", "coat", [1]));
  void placesCame().then(printed);
  await vi.advanceTimersByTimeAsync(1_000);
  expect(printed).not.toHaveBeenCalled();
  answer!(Response.json([]));
  await came;
  await vi.advanceTimersByTimeAsync(60);
  expect(printed).toHaveBeenCalledOnce();
  void queryClient.prefetchQuery(baseQueries.placement("zone", "other", [1]));
  const late = vi.fn();
  void placesCame().then(late);
  await vi.advanceTimersByTimeAsync(5_100);
  expect(late).toHaveBeenCalledOnce();
});
