import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { changed, trayKept } from "../../api/changes";
import { api, ask, Problem, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { BaseElement, Tray, TrayCopy } from "../../api/types";
import { notify } from "../../ui";

const mostUndone = 50;
const mostAtOnce = 4;
const seeds = 2 ** 32;
const newSeed = () => Math.floor(Math.random() * seeds);

export interface RollWish {
  copies?: number[];
  awayFrom?: number;
  rolls?: number;
}

/** A tray with everything that a hand may do to it; each change is kept at once and can be undone. */
export function useTray(tray: Tray) {
  const [past, setPast] = useState<TrayCopy[][]>([]);
  const [busy, setBusy] = useState(false);
  const [rollId, setRollId] = useState<string | undefined>(
    tray.roll && ["waiting", "running"].includes(tray.roll.status) ? tray.roll.id : undefined,
  );
  const latest = useRef(tray);
  // What was just kept is not put back by a drawing of what was before it.
  if (tray.version >= latest.current.version) latest.current = tray;
  const before = useRef<TrayCopy[]>(undefined);
  const roll = useQuery(queries.trayRoll(tray.id, rollId));
  const take = useCallback((next: Tray) => {
    latest.current = next;
    trayKept(next);
  }, []);
  const remember = useCallback((copies: TrayCopy[]) => setPast((p) => [...p.slice(1 - mostUndone), copies]), []);
  // One after the other: each change is made of what the one before has left, and on its version.
  const line = useRef<Promise<unknown>>(Promise.resolve());
  const run = useCallback(
    (call: () => Promise<Tray | void>): Promise<boolean> => {
      const now = async () => {
        setBusy(true);
        try {
          const next = await call();
          if (next) take(next);
          return true;
        } catch (error) {
          notify(wording(error));
          if (error instanceof Problem && error.code === "stale") await changed("tray");
          return false;
        } finally {
          setBusy(false);
        }
      };
      const done = line.current.then(now);
      line.current = done;
      return done;
    },
    [take],
  );
  const keptNow = () => latest.current.bases.map((b) => b.kept);
  const keep = useCallback(
    async (to: (now: TrayCopy[]) => TrayCopy[], undoable = true) => {
      let now: TrayCopy[] = [];
      const done = await run(() => {
        now = keptNow();
        return ask(
          api.PUT("/api/trays/{id}", {
            params: { path: { id: latest.current.id } },
            body: { version: latest.current.version, tray: { familyId: latest.current.familyId, copies: to(now) } },
          }),
        );
      });
      if (done && undoable) remember(now);
      return done;
    },
    [run, remember],
  );
  const change = useCallback(
    (copy: number, to: (kept: TrayCopy) => TrayCopy) =>
      keep((now) => now.map((kept, i) => (i === copy - 1 ? to(kept) : kept))),
    [keep],
  );
  const element = useCallback(
    (copy: number, place: number, part: Partial<BaseElement>) =>
      change(copy, (kept) => ({
        ...kept,
        elements: kept.elements.map((e, i) => (i === place ? { ...e, ...part } : e)),
      })),
    [change],
  );
  const undo = useCallback(async () => {
    const copies = past.at(-1);
    if (copies && (await keep(() => copies, false))) setPast((p) => p.slice(0, -1));
  }, [past, keep]);
  const rollAnew = useCallback(
    async (wish: RollWish) => {
      let now: TrayCopy[] = [];
      const wanted = wish.copies ?? latest.current.bases.map((b) => b.copy);
      const open = wanted.filter(
        (c) => !latest.current.bases[c - 1]?.kept.locked && !latest.current.bases[c - 1]?.laid,
      );
      const seed = newSeed();
      const params = { path: { id: latest.current.id } };
      const body = () => {
        now = keptNow();
        return { version: latest.current.version, seed, rolls: 12, ...wish };
      };
      if (open.length <= mostAtOnce) {
        if (await run(() => ask(api.POST("/api/trays/{id}/roll", { params, body: body() })))) remember(now);
        return;
      }
      await run(async () => {
        const asked = await ask(api.POST("/api/trays/{id}/rolls", { params, body: body() }));
        before.current = now;
        setRollId(asked.id);
      });
    },
    [run, remember],
  );
  const endRoll = useCallback(async () => {
    if (!rollId) return;
    await run(async () => {
      await ask(api.DELETE("/api/trays/{id}/rolls/{rollId}", { params: { path: { id: tray.id, rollId } } }));
    });
  }, [rollId, run, tray.id]);
  const status = roll.data?.status;
  useEffect(() => {
    if (!status || status === "waiting" || status === "running") return;
    setRollId(undefined);
    if (status === "ended" && before.current) remember(before.current);
    else if (roll.data?.message) notify(roll.data.message);
    before.current = undefined;
    void changed("tray");
    // The message comes with the status.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [status]);
  return {
    busy,
    rolling: rollId ? (roll.data ?? { done: 0, of: 0 }) : undefined,
    canUndo: past.length > 0,
    keep,
    change,
    element,
    undo,
    rollAnew,
    endRoll,
  };
}

export type TrayHands = ReturnType<typeof useTray>;
