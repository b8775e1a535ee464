import { useEffect, useState } from "react";

const first = 24;
const step = 4;
/** Drawn in one turn where someone waits for it: the page is scrolled to its end. */
const wanted = 10;
/** While the page scrolls nothing is added that is not waited for. */
const restMs = 200;

/**
 * How many rows of a long list are drawn so far: the first at once, the rest a few at a time while nothing else is to be done, so that it
 * opens at once and scrolls over rows that are there.
 */
export function useGrowing(count: number) {
  const [drawn, setDrawn] = useState(first);
  useEffect(() => {
    if (drawn >= count) return;
    let moved = 0;
    let turn: ReturnType<typeof setTimeout>;
    const scrolled = () => (moved = performance.now());
    const go = () => {
      const atEnd = window.scrollY + 2 * window.innerHeight > document.documentElement.scrollHeight;
      if (atEnd) setDrawn((n) => n + wanted);
      else if (performance.now() - moved > restMs) setDrawn((n) => n + step);
      else turn = setTimeout(go, restMs);
    };
    turn = setTimeout(go, 16);
    window.addEventListener("scroll", scrolled, { passive: true });
    return () => {
      clearTimeout(turn);
      window.removeEventListener("scroll", scrolled);
    };
  }, [drawn, count]);
  return Math.min(drawn, count);
}
