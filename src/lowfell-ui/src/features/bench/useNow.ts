import { useEffect, useState } from "react";

/** The moment, looked at every so often. */
export function useNow(everyMs: number): number {
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now()), everyMs);
    return () => clearInterval(tick);
  }, [everyMs]);
  return now;
}
