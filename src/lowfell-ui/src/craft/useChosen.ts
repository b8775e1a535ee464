import { useCallback } from "react";
import { useSearchParams } from "react-router";

/** What is chosen on a screen, as a part of its address: it can be shared, and survives a reload. */
export function useChosen(name: string): [string | null, (id: string | null) => void] {
  const [params, setParams] = useSearchParams();
  const choose = useCallback(
    (id: string | null) =>
      setParams(
        (before) => {
          const next = new URLSearchParams(before);
          if (id) next.set(name, id);
          else next.delete(name);
          return next;
        },
        { replace: true },
      ),
    [name, setParams],
  );
  return [params.get(name), choose];
}
