import { type RefObject, useEffect, useRef, useState } from "react";

/** Drawn before it comes into sight, by this much. */
const aheadPx = 1_200;

let watch: IntersectionObserver | undefined;
const waiting = new WeakMap<Element, () => void>();

function observer() {
  watch ??= new IntersectionObserver(
    (entries) => {
      for (const e of entries) if (e.isIntersecting) waiting.get(e.target)?.();
    },
    { rootMargin: `${aheadPx}px` },
  );
  return watch;
}

/** Whether a row has come near what is seen; it stays drawn from then on. */
export function useNear<T extends Element>(at: boolean): [RefObject<T | null>, boolean] {
  const row = useRef<T>(null);
  const [near, setNear] = useState(at);
  useEffect(() => {
    const of = row.current;
    if (near || !of) return;
    waiting.set(of, () => setNear(true));
    observer().observe(of);
    return () => observer().unobserve(of);
  }, [near]);
  return [row, near];
}
