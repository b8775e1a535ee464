import { useCallback, useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";

/** What is chosen on a screen, as a part of its address: it can be shared, and survives a reload. It shows at once; the address follows. */
export function useChosen(name: string): [string | null, (id: string | null) => void] {
  const [params, setParams] = useSearchParams();
  const told = params.get(name);
  const [chosen, setChosen] = useState(told);
  // On their way into the address: what was chosen before the last of them must not come back from there.
  const underway = useRef<(string | null)[]>([]);
  useEffect(() => {
    const at = underway.current.indexOf(told);
    if (at >= 0) underway.current.splice(0, at + 1);
    else if (underway.current.length === 0) setChosen(told);
  }, [told]);
  const choose = useCallback(
    (id: string | null) => {
      setChosen(id);
      setParams(
        (before) => {
          const next = new URLSearchParams(before);
          if (next.get(name) !== id) underway.current.push(id);
          if (id) next.set(name, id);
          else next.delete(name);
          return next;
        },
        { replace: true },
      );
    },
    [name, setParams],
  );
  return [chosen, choose];
}
