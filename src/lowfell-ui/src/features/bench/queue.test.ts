import { beforeEach, expect, test, vi } from "vitest";
import { Problem } from "../../api/client";
import { logAction } from "../../craft/logAction";
import { type BenchAction, BenchQueue } from "./queue";

const action = (id: string): BenchAction => ({
  ...logAction({ zoneId: "z", coatId: "c", pass: 1 }, "done", [1], { at: "2026-11-24T20:00:00Z" }),
  id,
});

beforeEach(() => localStorage.clear());

test("actions are sent in order and once, although the network drops between them", async () => {
  vi.useFakeTimers();
  let up = false;
  const got: string[] = [];
  const queue = new BenchQueue(async (a) => {
    if (!up) throw new Problem(0, "Lowfell does not answer.", {}, null);
    got.push(a.id);
  });
  queue.add(action("a"));
  queue.add(action("b"));
  await vi.advanceTimersByTimeAsync(100);
  expect(queue.pending.map((a) => a.id)).toEqual(["a", "b"]);
  up = true;
  await vi.advanceTimersByTimeAsync(5_000);
  expect(got).toEqual(["a", "b"]);
  expect(queue.pending).toEqual([]);
  vi.useRealTimers();
});

test("what waits survives a reload", () => {
  const down = async () => {
    throw new Problem(503, "The database is away.", {}, null);
  };
  new BenchQueue(down).add(action("a"));
  expect(new BenchQueue(down).pending.map((a) => a.id)).toEqual(["a"]);
});

test("what the host will not take is set aside with its reason, and the rest goes on", async () => {
  const got: string[] = [];
  const queue = new BenchQueue(async (a) => {
    if (a.id === "bad")
      throw new Problem(400, "Some of what was sent can't be taken.", { copies: ["There is no copy 9."] }, null);
    got.push(a.id);
  });
  queue.add(action("bad"));
  queue.add(action("good"));
  await vi.waitFor(() => expect(got).toEqual(["good"]));
  expect(queue.refused[0]!.why).toContain("There is no copy 9.");
  queue.forgetRefused();
  expect(queue.refused).toEqual([]);
});

test("what was taken is remembered with its moment, and the plan is asked for anew", async () => {
  const taken = vi.fn();
  const queue = new BenchQueue(async () => {}, localStorage, taken);
  const before = Date.now();
  queue.add(action("a"));
  await vi.waitFor(() => expect(taken).toHaveBeenCalledOnce());
  expect(queue.recent.map((r) => r.action.id)).toEqual(["a"]);
  expect(queue.recent[0]!.at).toBeGreaterThanOrEqual(before);
});
