/** Where taps of the bench card wait in the browser until the host has them. */
export const tapsKey = "lowfell.benchQueue";

/** How many taps of the bench card the host has not got yet. */
export function waitingTaps(store: Storage = localStorage): number {
  try {
    const waiting: unknown = JSON.parse(store.getItem(tapsKey) ?? "[]");
    return Array.isArray(waiting) ? waiting.length : 0;
  } catch {
    return 0;
  }
}
