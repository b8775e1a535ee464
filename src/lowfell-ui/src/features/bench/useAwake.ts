import { useEffect } from "react";

/** Keeps the screen awake while the card is open, where the browser can. */
export function useAwake() {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let gone = false;
    const hold = async () => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      const got = await navigator.wakeLock.request("screen").catch(() => undefined);
      if (gone) void got?.release();
      else lock = got;
    };
    void hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", hold);
      void lock?.release();
    };
  }, []);
}
