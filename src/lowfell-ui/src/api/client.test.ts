import { expect, test, vi } from "vitest";
import { ask, fetchMade, Problem, wording } from "./client";

test("a refusal speaks in the painter's words, without the names of fields", () => {
  const problem = new Problem(
    400,
    "Some of what was sent can't be taken.",
    {
      "coats[1].paintFraction": ["Coat 2, share of paint: 0 is outside 0.005 to 1."],
      "zone.scale": ["Scale: 0 is outside 1 to 1000."],
    },
    null,
  );
  expect(wording(problem)).toBe(
    "Some of what was sent can't be taken. Coat 2, share of paint: 0 is outside 0.005 to 1. Scale: 0 is outside 1 to 1000.",
  );
});

test("three faults at a time are enough to read", () => {
  const fields = Object.fromEntries([1, 2, 3, 4].map((n) => [`f${n}`, [`Fault ${n}.`]]));
  expect(wording(new Problem(400, "No.", fields, null))).toBe("No. Fault 1. Fault 2. Fault 3.");
});

test("what answers nothing is worth another try", () => {
  expect(new Problem(0, "away", {}, null).passing).toBe(true);
  expect(new Problem(503, "away", {}, null).passing).toBe(true);
  expect(new Problem(400, "no", {}, null).passing).toBe(false);
  expect(wording(new Error("x"))).toBe("Something has failed here.");
});

const answer = (status: number, headers: Record<string, string> = {}, body: unknown = {}) => ({
  data: body,
  response: new Response(null, { status, headers }),
});

test("what is being made is worth asking again, and a job that was taken up is an answer", async () => {
  const again: Problem = await ask(
    Promise.resolve(answer(202, { "Retry-After": "1" }, { title: "It is being made." })),
  ).then(
    () => expect.unreachable(),
    (e) => e,
  );
  expect([again.status, again.beingMade, again.passing, again.message]).toEqual([202, true, true, "It is being made."]);
  expect(await ask(Promise.resolve(answer(202, {}, { id: "job" })))).toEqual({ id: "job" });
});

test("what is fetched while it is made comes, what is refused says why, and who leaves hears nothing", async () => {
  vi.useFakeTimers({ shouldAdvanceTime: true });
  const answers = [new Response(null, { status: 202, headers: { "Retry-After": "1" } }), new Response("made")];
  const fetched = vi.spyOn(globalThis, "fetch").mockImplementation(async () => answers.shift()!);
  expect(await (await fetchMade("/api/x")).text()).toBe("made");
  answers.push(new Response('{"title":"There is none."}', { status: 404 }));
  await expect(fetchMade("/api/x")).rejects.toThrow("There is none.");
  const left = new AbortController();
  answers.push(new Response(null, { status: 202, headers: { "Retry-After": "1" } }));
  const waiting = fetchMade("/api/x", left.signal).catch((e) => e.name);
  left.abort();
  await vi.advanceTimersByTimeAsync(5_000);
  expect(await waiting).toBe("AbortError");
  fetched.mockRejectedValue(new TypeError("no network"));
  await expect(fetchMade("/api/x")).rejects.toThrow("Lowfell does not answer.");
  fetched.mockRestore();
  vi.useRealTimers();
});
