import { useCallback, useEffect, useState } from "react";
import { useSearchParams } from "react-router";

/** What is chosen on a screen, as a part of its address: it can be shared, and survives a reload. It shows at once; the address follows. */
export function useChosen(name: string): [string | null, (id: string | null) => void] {
  const [params, setParams] = useSearchParams();
  const told = params.get(name);
  const [chosen, setChosen] = useState(told);
  useEffect(() => setChosen(told), [told]);
  const choose = useCallback(
    (id: string | null) => {
      setChosen(id);
      setParams(
        (before) => {
          const next = new URLSearchParams(before);
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
