import { beforeEach, expect, test, vi } from "vitest";
import { logAction } from "./logAction";
import { openBench } from "./openBench";
import { keptHere } from "../api/here";
import { browserOutbox, waitingTaps } from "./outbox";

const entry = () => ({ action: logAction({ zoneId: "z", coatId: "c", pass: 1 }, "done", [1]), what: "", tries: 0 });

beforeEach(async () => {
  const db = await keptHere();
  await Promise.all([db.clear("taps"), db.clear("aside"), db.clear("answers")]);
});

test("taps that wait or stand aside are counted", async () => {
  expect(await waitingTaps()).toBe(0);
  await browserOutbox.add(entry());
  await browserOutbox.add(entry());
  await browserOutbox.remove((await browserOutbox.all()).waiting[0]!, "There is no copy 9.");
  expect(await waitingTaps()).toBe(2);
});

test("another bench is not opened while taps of this one wait, and shows nothing of this one", async () => {
  const asked = vi.fn(async () => new Response("{}", { status: 503 }));
  vi.stubGlobal("fetch", asked);
  await browserOutbox.add(entry());
  await openBench(true);
  expect(asked).not.toHaveBeenCalled();
  await (await keptHere()).clear("taps");
  await (await keptHere()).put("answers", { key: '["bench"]', at: 1, data: {} });
  await openBench(true);
  expect(asked).toHaveBeenCalledOnce();
  expect(await (await keptHere()).count("answers")).toBe(1);
  asked.mockImplementation(async () => Response.json({}));
  await openBench(true);
  expect(await (await keptHere()).count("answers")).toBe(0);
});
