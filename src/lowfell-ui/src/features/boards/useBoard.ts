import { useCallback, useRef, useState } from "react";
import { boardKept, changed } from "../../api/changes";
import { api, ask, Problem, wording } from "../../api/client";
import type { BoardView } from "../../api/types";
import { notify } from "../../ui";

type Board = BoardView["board"];
const mostUndone = 100;
const oneChangeMs = 2000;

/** A board with what a hand may do to it: each change is kept at once, one after the other, and can be undone. */
export function useBoard(view: BoardView) {
  const latest = useRef(view);
  if (view.version >= latest.current.version) latest.current = view;
  const [past, setPast] = useState<Board[]>([]);
  const [ahead, setAhead] = useState<Board[]>([]);
  const [waiting, setWaiting] = useState<Board>();
  const line = useRef<Promise<unknown>>(Promise.resolve());
  // What is not kept yet, so that the next change is made of it.
  const hoped = useRef<Board>(undefined);

  const put = useCallback((to: (now: Board) => Board): Promise<Board | undefined> => {
    const before = hoped.current ?? latest.current.board;
    const wanted = to(before);
    hoped.current = wanted;
    setWaiting(wanted);
    const now = async () => {
      // What was changed since is sent with this in it.
      if (hoped.current && hoped.current !== wanted) return before;
      try {
        const kept = await ask(
          api.PUT("/api/sets/{id}/board", {
            params: { path: { id: latest.current.setId } },
            body: { version: latest.current.version, board: wanted },
          }),
        );
        latest.current = kept;
        boardKept(kept);
        return before;
      } catch (error) {
        hoped.current = undefined;
        notify(wording(error));
        if (error instanceof Problem && error.code === "stale") await changed("board");
        return undefined;
      } finally {
        if (hoped.current === wanted || hoped.current === undefined) {
          hoped.current = undefined;
          setWaiting(undefined);
        }
      }
    };
    const done = line.current.then(now);
    line.current = done;
    return done;
  }, []);

  // A figure that is being typed is one change, however many keys it takes.
  const typing = useRef({ what: "", at: 0 });
  const keep = useCallback(
    async (to: (now: Board) => Board, what = "") => {
      const goesOn = what !== "" && typing.current.what === what && Date.now() - typing.current.at < oneChangeMs;
      typing.current = { what, at: Date.now() };
      const before = await put(to);
      if (!before) return false;
      if (!goesOn) setPast((p) => [...p.slice(1 - mostUndone), before]);
      setAhead([]);
      return true;
    },
    [put],
  );
  const undo = useCallback(async () => {
    const to = past.at(-1);
    if (!to) return;
    setPast((p) => p.slice(0, -1));
    const before = await put(() => to);
    if (before) setAhead((a) => [...a, before]);
  }, [past, put]);
  const redo = useCallback(async () => {
    const to = ahead.at(-1);
    if (!to) return;
    setAhead((a) => a.slice(0, -1));
    const before = await put(() => to);
    if (before) setPast((p) => [...p, before]);
  }, [ahead, put]);

  return { board: waiting ?? view.board, keep, undo, redo, canUndo: past.length > 0, canRedo: ahead.length > 0 };
}

export type BoardHands = ReturnType<typeof useBoard>;
