import { QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { beforeEach, expect, it, vi } from "vitest";
import { queryClient } from "../../api/client";
import { baseOf, trayOf } from "../../test/tray";
import { useJudged } from "./useJudged";

const beside = (a: number, b: number) =>
  ({ a, b, distance: 0.5, asTheyStand: 0.6, judged: "different", beside: true }) as const;
const bases = [baseOf(1), baseOf(2), baseOf(3), baseOf(4), baseOf(5)];
const tray = trayOf(bases, { differences: [beside(1, 3), beside(2, 3), beside(3, 4), beside(3, 5), beside(4, 5)] });
const wrapper = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={queryClient}>{children}</QueryClientProvider>
);

interface Asked {
  bases: { elements: { x: number; y: number }[] }[];
  roll: boolean;
  scale: number;
}

let asked: Asked[];
let answer: () => Promise<Response>;
beforeEach(() => {
  asked = [];
  answer = async () =>
    Response.json({
      bases: [{ ...baseOf(1), score: 3.3 }],
      differences: [
        { a: 1, b: 2, distance: 0.7 },
        { a: 1, b: 3, distance: 0.31 },
        { a: 2, b: 3, distance: 0.1 },
      ],
      lacking: [],
    });
  vi.stubGlobal("fetch", async (request: Request) => {
    if (request.url.endsWith("/base-families")) return Response.json([{ id: "family", version: 1, family: {} }]);
    asked.push((await request.json()) as Asked);
    return answer();
  });
});

async function held() {
  const { result } = renderHook(() => useJudged(tray, bases[2]!), { wrapper });
  await waitFor(() => expect(queryClient.getQueryData(["baseFamilies"])).toBeDefined());
  return result;
}

it("reads the base with three neighbours as it is held, and names the nearest", async () => {
  const result = await held();
  await act(() => result.current.judge(0, { x: 4, y: -1 }));
  expect(asked).toHaveLength(1);
  expect(asked[0]).toMatchObject({ roll: false, scale: 56 });
  expect(asked[0]!.bases).toHaveLength(4);
  expect(asked[0]!.bases[0]!.elements[0]).toMatchObject({ x: 4, y: -1 });
  expect(result.current.judged).toMatchObject({ base: { copy: 3, score: 3.3 }, nearest: { copy: 2, distance: 0.31 } });
  act(() => result.current.forget());
  expect(result.current.judged).toBeUndefined();
});

it("asks one thing at a time, and of what was meant meanwhile only the last", async () => {
  let go: (() => void) | undefined;
  const first = answer;
  answer = async () => {
    await new Promise<void>((done) => (go = done));
    answer = first;
    return first();
  };
  const result = await held();
  await act(async () => {
    const all = [1, 2, 3, 4].map((x) => result.current.judge(0, { x, y: 0 }));
    await waitFor(() => expect(go).toBeDefined());
    go!();
    await Promise.all(all);
  });
  expect(asked.map((a) => a.bases[0]!.elements[0]!.x)).toEqual([1, 4]);
});

it("says nothing where the host cannot answer, and asks again the next time", async () => {
  answer = async () => Response.json({ title: "Away" }, { status: 500 });
  const result = await held();
  await act(() => result.current.judge(0, { x: 1, y: 0 }));
  expect(result.current.judged).toBeUndefined();
  await act(() => result.current.judge(0, { x: 2, y: 0 }));
  expect(asked).toHaveLength(2);
});
