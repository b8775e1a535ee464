import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, ask } from "../../api/client";
import { queries } from "../../api/queries";
import type { Tray, TrayBase } from "../../api/types";
import type { Place } from "./slide";

/** Bases that a preview reads at once, the one that is moved among them. */
const mostRead = 4;

/** What the host says of a base while something on it is held. */
export interface Judged {
  base: TrayBase;
  /** The neighbour that it comes nearest to, and how near. */
  nearest?: { copy: number; distance: number };
}

/** A base read with its neighbours while an element of it is dragged, without being kept. One question at a time: what was asked meanwhile gives way to the last. */
export function useJudged(tray: Tray, base: TrayBase) {
  const families = useQuery(queries.baseFamilies());
  const family = families.data?.find((f) => f.id === tray.familyId)?.family;
  const [judged, setJudged] = useState<Judged>();
  const wanted = useRef<{ element: number; at: Place }>(undefined);
  const asking = useRef(false);
  const judge = useCallback(
    async (element: number, at: Place) => {
      wanted.current = { element, at };
      if (asking.current || !family) return;
      asking.current = true;
      const beside = tray.differences.filter((d) => d.beside && (d.a === base.copy || d.b === base.copy));
      const others = beside.map((d) => (d.a === base.copy ? d.b : d.a)).slice(0, mostRead - 1);
      while (wanted.current) {
        const { element: place, at: there }: { element: number; at: Place } = wanted.current;
        wanted.current = undefined;
        const moved = {
          ...base.kept,
          elements: base.kept.elements.map((e, i) => (i === place ? { ...e, x: there.x, y: there.y } : e)),
        };
        const bases = [moved, ...others.flatMap((c) => tray.bases[c - 1]?.kept ?? [])];
        try {
          const look = await ask(
            api.POST("/api/preview/bases", {
              body: { family, bases, stock: [], seed: 0, roll: false, scale: tray.scale },
            }),
          );
          const near = look.differences.filter((d) => d.a === 1).toSorted((a, b) => a.distance - b.distance)[0];
          setJudged({
            base: { ...(look.bases[0] as TrayBase), copy: base.copy },
            nearest: near && { copy: others[near.b - 2]!, distance: near.distance },
          });
        } catch {
          // It is only told while it is held: what is dropped is kept, and judged then.
          wanted.current = undefined;
        }
      }
      asking.current = false;
    },
    [family, tray, base],
  );
  const forget = useCallback(() => {
    wanted.current = undefined;
    setJudged(undefined);
  }, []);
  useEffect(forget, [base.picture, forget]);
  return { judged, judge, forget };
}
