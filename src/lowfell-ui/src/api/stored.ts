/** What this browser has kept under a name; undefined where there is nothing, or nothing that can be read. */
export function stored<T>(key: string): T | undefined {
  try {
    return JSON.parse(localStorage.getItem(key) ?? "null") ?? undefined;
  } catch {
    return undefined;
  }
}

/** Asks, and keeps the answer for when the network is away. */
export async function kept<T>(key: string, call: () => Promise<T>): Promise<T> {
  const answer = await call();
  localStorage.setItem(key, JSON.stringify(answer));
  return answer;
}
