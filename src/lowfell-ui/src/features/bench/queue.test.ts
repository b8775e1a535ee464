import { waitFor } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";
import { Problem } from "../../api/client";
import { logAction } from "../../craft/logAction";
import { keptHere, type Waiting } from "../../api/here";
import { browserOutbox, memoryOutbox, withSpare } from "../../craft/outbox";
import { type BenchAction, BenchQueue, type Tabs } from "./queue";

const action = (id: string, photoId?: string): BenchAction => ({
  ...logAction({ zoneId: "z", coatId: "c", pass: 1 }, "done", [1], { at: "2026-11-24T20:00:00Z" }),
  id,
  photoId,
});

/** Several tabs of one browser: one of them sends at a time, and all hear what is said. */
function browser() {
  let last = Promise.resolve();
  const tabs: ((said: Parameters<Tabs["tell"]>[0]) => void)[] = [];
  return (): Tabs => {
    let own: (typeof tabs)[number] | undefined;
    return {
      alone: (run) => (last = last.then(run, run)),
      tell: (said) => tabs.filter((t) => t !== own).forEach((t) => t(said)),
      hear: (listener) => void tabs.push((own = listener)),
    };
  };
}

const refusal = () =>
  new Problem(400, "Some of what was sent can't be taken.", { copies: ["There is no copy 9."] }, null);
const away = () => new Problem(0, "Lowfell does not answer.", {}, null);
const sender = (got: string[], isAway: () => boolean) => async (w: Waiting) =>
  isAway() ? Promise.reject(away()) : got.push(w.action.id);
const ids = (of: readonly { id: string }[]) => of.map((a) => a.id);

beforeEach(async () => {
  const db = await keptHere();
  await Promise.all([db.clear("taps"), db.clear("aside")]);
});

test("actions are sent in order and once, although the network drops between them", async () => {
  let up = false;
  const got: string[] = [];
  const queue = new BenchQueue(
    async (w) => {
      if (!up) throw away();
      got.push(w.action.id);
    },
    browserOutbox,
    browser()(),
  );
  await queue.add(action("a"));
  await queue.add(action("b"));
  expect(ids(queue.pending)).toEqual(["a", "b"]);
  up = true;
  await waitFor(() => expect(got).toEqual(["a", "b"]));
  await waitFor(() => expect(queue.pending).toEqual([]));
});

test("what waits survives a reload, and what waited in the old place is taken over", async () => {
  const down = async () => {
    throw new Problem(503, "The database is away.", {}, null);
  };
  await new BenchQueue(down, browserOutbox, browser()()).add(action("a"));
  localStorage.setItem("lowfell.benchQueue", JSON.stringify([action("a"), action("old")]));
  const got: string[] = [];
  const next = new BenchQueue(async (w) => got.push(w.action.id), browserOutbox, browser()());
  await next.flush();
  expect(got).toEqual(["a", "old"]);
  expect(localStorage.getItem("lowfell.benchQueue")).toBeNull();
});

test("taps of two tabs wait side by side, and each is sent once by whichever tab sends", async () => {
  let up = false;
  const got: string[] = [];
  const send = async (w: Waiting) => {
    if (!up) throw away();
    await new Promise((done) => setTimeout(done, 5));
    got.push(w.action.id);
  };
  const tab = browser();
  const [one, two] = [new BenchQueue(send, browserOutbox, tab()), new BenchQueue(send, browserOutbox, tab())];
  await Promise.all([one.add(action("a")), two.add(action("b")), one.add(action("c")), two.add(action("d"))]);
  await waitFor(() => expect(ids(one.pending).sort()).toEqual(["a", "b", "c", "d"]));
  up = true;
  await waitFor(() => expect(got.length).toBe(4));
  await new Promise((done) => setTimeout(done, 100));
  expect([...got].sort()).toEqual(["a", "b", "c", "d"]);
  // Both know that they were taken, whoever sent them: the plan on either screen does not know it yet.
  await waitFor(() => expect(one.recent.length + two.recent.length).toBe(8));
  expect(two.pending).toEqual([]);
});

test("what the host will not take stands aside with its reason, the rest goes on, and it is sent again or let go", async () => {
  const got: string[] = [];
  let strict = true;
  const queue = new BenchQueue(
    async (w) => {
      if (w.action.id === "bad" && strict) throw refusal();
      got.push(w.action.id);
    },
    browserOutbox,
    browser()(),
  );
  await queue.add(action("bad"), "Rope Tan, Wall: 9");
  await queue.add(action("good"));
  expect(got).toEqual(["good"]);
  expect(queue.refused.map((r) => [r.what, r.why])).toEqual([
    ["Rope Tan, Wall: 9", "Some of what was sent can't be taken. There is no copy 9."],
  ]);
  strict = false;
  await queue.again(queue.refused[0]!);
  expect(got).toEqual(["good", "bad"]);
  expect(queue.refused).toEqual([]);
  strict = true;
  await queue.add(action("bad"));
  await queue.forget(queue.refused[0]!);
  expect(queue.refused).toEqual([]);
  expect(queue.pending).toEqual([]);
});

test("what the host fails on is tried again, and does not hold up the rest for ever", async () => {
  let tries = 0;
  const got: string[] = [];
  const queue = new BenchQueue(
    async (w) => {
      if (w.action.id === "odd") {
        tries++;
        throw new Problem(500, "Lowfell has failed here.", {}, null);
      }
      got.push(w.action.id);
    },
    memoryOutbox(),
    browser()(),
  );
  vi.useFakeTimers();
  void queue.add(action("odd"));
  void queue.add(action("good"));
  await vi.advanceTimersByTimeAsync(10_000);
  vi.useRealTimers();
  expect(tries).toBe(3);
  expect(got).toEqual(["good"]);
  expect(queue.refused.map((r) => r.why)).toEqual(["Lowfell has failed here."]);
});

test("a picture waits with its action, and can be left out where it is the trouble", async () => {
  const sent: (string | undefined)[] = [];
  const queue = new BenchQueue(
    async (w) => {
      sent.push(w.picture && new TextDecoder().decode(w.picture.bytes));
      if (w.picture) throw new Problem(413, "This is too large.", {}, null);
    },
    browserOutbox,
    browser()(),
  );
  await queue.add(action("a", "p"), "", new File(["grain"], "chip.jpg", { type: "image/jpeg" }));
  expect(sent).toEqual(["grain"]);
  await queue.again(queue.refused[0]!, true);
  expect(sent).toEqual(["grain", undefined]);
  expect(queue.refused).toEqual([]);
});

test("in a browser that keeps nothing they wait with the page", async () => {
  const got: string[] = [];
  const none = () => Promise.reject(new Error("SecurityError"));
  const outbox = withSpare({ all: none, add: none, remove: none, failed: none, settle: none });
  let isAway = true;
  const queue = new BenchQueue(
    sender(got, () => isAway),
    outbox,
    browser()(),
  );
  await queue.add(action("a"));
  await queue.add(action("b"));
  expect([got, queue.stuck, (await outbox.all()).waiting.length]).toEqual([[], 2, 2]);
  isAway = false;
  await queue.flush();
  expect([got, queue.pending]).toEqual([["a", "b"], []]);
});

test("one that the browser has no room for waits with the page, behind those that it keeps, and so does what is refused of it", async () => {
  const got: string[] = [];
  const kept = memoryOutbox();
  await kept.add({ action: action("kept"), what: "", tries: 0 });
  const full = { ...kept, add: () => Promise.reject(new Error("QuotaExceededError")) };
  const queue = new BenchQueue(
    async (w) => {
      if (w.action.id === "refused" && w.tries === 0 && got.length < 2)
        throw new Problem(400, "No such copy.", {}, null);
      got.push(w.action.id);
    },
    withSpare(full),
    browser()(),
  );
  await queue.add(action("refused"));
  await queue.add(action("b"));
  expect(got).toEqual(["kept", "b"]);
  expect(queue.refused.map((r) => [r.id, r.why])).toEqual([["refused", "No such copy."]]);
  await queue.again(queue.refused[0]!);
  expect([got, queue.refused, queue.pending]).toEqual([["kept", "b", "refused"], [], []]);
});

test("what was taken is remembered with its moment, and the plan is asked for anew", async () => {
  const taken = vi.fn();
  const queue = new BenchQueue(async () => {}, browserOutbox, browser()(), taken);
  const before = Date.now();
  await queue.add(action("a"));
  expect(taken).toHaveBeenCalledOnce();
  expect(queue.recent.map((r) => r.action.id)).toEqual(["a"]);
  expect(queue.recent[0]!.at).toBeGreaterThanOrEqual(before);
});

test("what waited before this version goes into the row, and stays where it was if the row ends with the page", async () => {
  const old = () => localStorage.setItem("lowfell.benchQueue", JSON.stringify([action("old")]));
  const got: string[] = [];
  const send = async (w: Waiting) => got.push(w.action.id);
  old();
  await new BenchQueue(send, withSpare(memoryOutbox()), browser()()).flush();
  expect([got, localStorage.getItem("lowfell.benchQueue")]).toEqual([["old"], JSON.stringify([action("old")])]);
  await new BenchQueue(send, browserOutbox, browser()()).flush();
  expect([got, localStorage.getItem("lowfell.benchQueue")]).toEqual([["old", "old"], null]);
});

test("a store that can't be read for a moment takes nothing off the card, and what waits is sent when it can", async () => {
  const got: string[] = [];
  const kept = memoryOutbox();
  let broken = false;
  const outbox = withSpare({ ...kept, all: () => (broken ? Promise.reject(new Error("closing")) : kept.all()) });
  let isAway = true;
  const queue = new BenchQueue(
    sender(got, () => isAway),
    outbox,
    browser()(),
  );
  await queue.add(action("a"));
  broken = true;
  isAway = false;
  await queue.flush();
  expect([got, queue.pending.map((p) => p.id)]).toEqual([[], ["a"]]);
  broken = false;
  await waitFor(() => expect([got, queue.pending]).toEqual([["a"], []]));
});
