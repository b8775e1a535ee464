import { act, renderHook } from "@testing-library/react";
import { beforeEach, expect, test, vi } from "vitest";
import type { Scheme } from "../../api/types";
import { coat } from "../../test/samples";
import { useStackEditor } from "./useStackEditor";

const scheme = (version: number, ...ids: string[]) =>
  ({ id: "s", version, name: "Wall", coats: ids.map((id) => coat(id)), uses: [] }) as unknown as Scheme;

const answers: (() => Response)[] = [];
const sent: { version: number; coats: { id: string }[] }[] = [];

const json = (status: number, body: unknown) => () =>
  new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });
const away = () => {
  throw new TypeError("network");
};

beforeEach(() => {
  vi.useFakeTimers();
  answers.length = 0;
  sent.length = 0;
  vi.stubGlobal("fetch", async (request: Request) => {
    if (!request.url.includes("/api/schemes/s/stack")) return json(200, { status: "ready", version: "0" })();
    sent.push((await request.json()) as (typeof sent)[number]);
    return (answers.shift() ?? json(200, { version: 100 }))();
  });
});

const settle = (ms = 0) => act(() => vi.advanceTimersByTimeAsync(ms));
const open = (first: Scheme) => renderHook(({ s }) => useStackEditor(s), { initialProps: { s: first } });
const ids = (coats: { id: string }[]) => coats.map((c) => c.id).join("");

test("edits in a row are kept in one request, with the version they were made on", async () => {
  const { result } = open(scheme(3, "a"));
  answers.push(json(200, { version: 4 }));
  act(() => result.current.edit([coat("a"), coat("b")]));
  act(() => result.current.edit([coat("a"), coat("b"), coat("c")]));
  expect(result.current.save.kind).toBe("saving");
  await settle(400);
  expect(result.current.save.kind).toBe("saved");
  expect(sent.map((s) => [s.version, ids(s.coats)])).toEqual([[3, "abc"]]);
  expect(localStorage.length).toBe(0);
  act(() => result.current.undo());
  await settle(400);
  expect(sent[1]).toMatchObject({ version: 4 });
});

test("while nobody answers the edit waits in the browser, and is sent when somebody does", async () => {
  const { result } = open(scheme(3, "a"));
  answers.push(away, json(503, { title: "The database is away." }), json(200, { version: 4 }));
  act(() => result.current.edit([coat("b")]));
  await settle(400);
  expect(result.current.save).toMatchObject({ kind: "waiting", why: "Lowfell does not answer." });
  expect(localStorage.getItem("lowfell.unsaved.s")).toContain('"b"');
  await settle(2_000);
  expect(result.current.save).toMatchObject({ kind: "waiting", why: "The database is away." });
  await settle(2_000);
  expect(result.current.save.kind).toBe("saved");
  expect(localStorage.length).toBe(0);
});

test("what was left unsent is taken up again by the next page, under its own version", async () => {
  localStorage.setItem("lowfell.unsaved.s", JSON.stringify({ version: 2, coats: [coat("x")] }));
  const { result } = open(scheme(3, "a"));
  expect(ids(result.current.coats)).toBe("x");
  answers.push(json(409, { title: "Changed meanwhile.", current: scheme(3, "a") }));
  await settle(400);
  expect(sent[0]!.version).toBe(2);
  expect(result.current.save).toMatchObject({ kind: "conflict", theirs: { version: 3 } });
});

test("of two stacks one is chosen and the other stays one undo away", async () => {
  const { result } = open(scheme(3, "a"));
  answers.push(json(409, { title: "Changed meanwhile.", current: scheme(7, "t") }), json(200, { version: 8 }));
  act(() => result.current.edit([coat("m")]));
  await settle(400);
  act(() => result.current.settle("mine", scheme(7, "t")));
  await settle(400);
  expect(ids(result.current.coats)).toBe("m");
  expect(sent[1]).toMatchObject({ version: 7 });
  act(() => result.current.undo());
  expect(ids(result.current.coats)).toBe("t");
});

test("a refused edit says why, stays on the screen, and is not sent again by itself", async () => {
  const { result } = open(scheme(3, "a"));
  answers.push(
    json(400, { title: "Some of what was sent can't be taken.", errors: { "coats[0].hand": ["Coat 1, hand: 9."] } }),
  );
  act(() => result.current.edit([coat("b")]));
  await settle(400);
  expect(result.current.save).toMatchObject({ kind: "refused", why: expect.stringContaining("Coat 1, hand: 9.") });
  await settle(10_000);
  expect(sent.length).toBe(1);
  expect(ids(result.current.coats)).toBe("b");
});

test("a stack changed elsewhere is taken over where nothing waits here, and not over an edit", async () => {
  const { result, rerender } = open(scheme(3, "a"));
  rerender({ s: scheme(4, "n") });
  expect(ids(result.current.coats)).toBe("n");
  act(() => result.current.undo());
  expect(ids(result.current.coats)).toBe("a");
  await settle(400);
  expect(sent[0]).toMatchObject({ version: 4 });

  const other = open(scheme(3, "a"));
  answers.push(json(200, { version: 6 }));
  act(() => other.result.current.edit([coat("m")]));
  other.rerender({ s: scheme(5, "n") });
  expect(ids(other.result.current.coats)).toBe("m");
});
