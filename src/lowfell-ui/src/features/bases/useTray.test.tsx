import { QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { describe, expect, it, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { Tray, TrayCopy } from "../../api/types";
import { useTray } from "./useTray";

const copy = (x: number): TrayCopy =>
  ({
    seed: 1,
    locked: false,
    elements: [{ name: "slate M", x, y: 0, angleDeg: 0, locked: false }],
  }) as unknown as TrayCopy;
const trayOf = (version: number, copies: TrayCopy[]): Tray =>
  ({
    id: "t",
    pieceId: "p",
    familyId: "f",
    version,
    bases: copies.map((kept, i) => ({ copy: i + 1, kept, laid: false })),
  }) as unknown as Tray;

interface Put {
  version: number;
  tray: { copies: TrayCopy[] };
}

/** A host that keeps what it is sent on the version in force, and refuses what was made on another. */
function host(first: Tray) {
  let now = first;
  const puts: Put[] = [];
  vi.stubGlobal("fetch", async (request: Request) => {
    const body = (await request.json()) as Put;
    puts.push(body);
    await new Promise((go) => setTimeout(go, 20));
    if (body.version !== now.version)
      return Response.json({ title: "Stale", code: "stale", errors: { version: ["Another."] } }, { status: 409 });
    now = trayOf(now.version + 1, body.tray.copies);
    return Response.json(now);
  });
  return { puts, now: () => now };
}

const within = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={queryClient}>{children}</QueryClientProvider>
);

describe("a tray under a hand", () => {
  it("keeps quick changes one after the other, each made of what the one before has left", async () => {
    const first = trayOf(1, [copy(0), copy(5)]);
    const kept = host(first);
    const { result } = renderHook(() => useTray(first), { wrapper: within });
    await act(async () => {
      await Promise.all([
        result.current.element(1, 0, { x: 1 }),
        result.current.element(1, 0, { y: 2 }),
        result.current.element(2, 0, { locked: true }),
      ]);
    });
    expect(kept.puts.map((p) => p.version)).toEqual([1, 2, 3]);
    expect(kept.now().bases.map((b) => b.kept.elements[0])).toMatchObject([
      { x: 1, y: 2 },
      { x: 5, locked: true },
    ]);
  });

  it("goes back step by step to what it was", async () => {
    const first = trayOf(1, [copy(0)]);
    const kept = host(first);
    const { result } = renderHook(() => useTray(first), { wrapper: within });
    await act(async () => {
      await result.current.element(1, 0, { x: 1 });
      await result.current.element(1, 0, { x: 2 });
    });
    await waitFor(() => expect(result.current.canUndo).toBe(true));
    await act(async () => void (await result.current.undo()));
    expect(kept.now().bases[0]!.kept.elements[0]!.x).toBe(1);
    await act(async () => void (await result.current.undo()));
    expect(kept.now().bases[0]!.kept).toEqual(copy(0));
    await waitFor(() => expect(result.current.canUndo).toBe(false));
  });

  it("says so where another window was quicker, and remembers nothing to undo", async () => {
    const first = trayOf(1, [copy(0)]);
    host(trayOf(7, [copy(3)]));
    const { result } = renderHook(() => useTray(first), { wrapper: within });
    await act(async () => {
      expect(await result.current.element(1, 0, { x: 1 })).toBe(false);
    });
    expect(result.current.canUndo).toBe(false);
  });
});
