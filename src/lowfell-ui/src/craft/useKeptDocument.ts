import { useCallback, useRef, useState } from "react";
import { Problem, wording } from "../api/client";
import { notify } from "../ui";

const mostUndone = 100;
const oneChangeMs = 2000;

interface Ways<View, Doc> {
  /** What of a view is changed by hand. */
  of: (view: View) => Doc;
  /** Sends it. */
  put: (view: View, doc: Doc) => Promise<View>;
  /** It was kept: shown at once. */
  kept: (view: View) => void;
  /** Somebody else has changed it. */
  stale: () => Promise<unknown>;
}

/** A document with what a hand may do to it: each change is kept at once, one after the other, and can be undone. */
export function useKeptDocument<View extends { version: number }, Doc>(view: View, ways: Ways<View, Doc>) {
  const way = useRef(ways);
  way.current = ways;
  const latest = useRef(view);
  if (view.version >= latest.current.version) latest.current = view;
  const [past, setPast] = useState<Doc[]>([]);
  const [ahead, setAhead] = useState<Doc[]>([]);
  const [waiting, setWaiting] = useState<Doc>();
  const line = useRef<Promise<unknown>>(Promise.resolve());
  // What is not kept yet, so that the next change is made of it.
  const hoped = useRef<Doc>(undefined);

  const put = useCallback((to: (now: Doc) => Doc): Promise<Doc | undefined> => {
    const before = hoped.current ?? way.current.of(latest.current);
    const wanted = to(before);
    hoped.current = wanted;
    setWaiting(wanted);
    const now = async () => {
      // What was changed since is sent with this in it.
      if (hoped.current && hoped.current !== wanted) return before;
      try {
        const kept = await way.current.put(latest.current, wanted);
        latest.current = kept;
        way.current.kept(kept);
        return before;
      } catch (error) {
        hoped.current = undefined;
        notify(wording(error));
        if (error instanceof Problem && error.code === "stale") await way.current.stale();
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
    async (to: (now: Doc) => Doc, what = "") => {
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

  return { now: waiting ?? ways.of(view), keep, undo, redo, canUndo: past.length > 0, canRedo: ahead.length > 0 };
}
