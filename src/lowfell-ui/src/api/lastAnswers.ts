import type { Query, QueryFunctionContext, QueryKey } from "@tanstack/react-query";
import { Problem, queryClient } from "./client";
import { keptHere } from "./here";

/** What opens again while the network is away: the places that a painter stands before, and what they are made of. */
const whole = new Set([
  "amounts",
  "bench",
  "calendar",
  "cards",
  "coatMarks",
  "lines",
  "materials",
  "mixes",
  "piece",
  "plan",
  "progress",
  "schemes",
  "set",
  "wetOf",
  "zone",
  "zones",
  "repairs",
  "references",
  "mixRecords",
  "log",
  "doneBy",
  "tray",
]);

/** Of what follows each keystroke, the first is kept and the last, once the painter pauses. */
const ofDrafts = new Set(["preview", "cost", "primers", "judgement"]);
const settleMs = 1_500;
const mostKept = 300;
const settling = new Map<string, ReturnType<typeof setTimeout>>();

const kindOf = (query: { queryKey: QueryKey }) => String(query.queryKey[0]);

async function keep(key: string, data: unknown) {
  try {
    await (await keptHere()).put("answers", { key, at: Date.now(), data });
  } catch {
    // A browser that keeps nothing has nothing when the network is away.
  }
}

/** The last answer to something, from this browser. */
export async function lastAnswer<T>(key: string): Promise<T | undefined> {
  try {
    return (await (await keptHere()).get("answers", key))?.data as T | undefined;
  } catch {
    return undefined;
  }
}

/** Asks; where nobody answers, the last answer stands in. */
export async function askOrLast<T>(key: string, ask: () => Promise<T>): Promise<T> {
  try {
    const data = await ask();
    void keep(key, data);
    return data;
  } catch (error) {
    const last = isAway(error) ? await lastAnswer<T>(key) : undefined;
    if (last === undefined) throw error;
    return last;
  }
}

const isAway = (error: unknown) =>
  error instanceof Problem && error.passing && error.status !== 429 && !error.beingMade;

/** Forgets them: another bench is open now. */
export async function forgetAnswers(): Promise<void> {
  try {
    await (await keptHere()).clear("answers");
  } catch {
    // Nothing was kept.
  }
}

/** Lets the oldest go. */
async function prune() {
  try {
    const of = (await keptHere()).transaction("answers", "readwrite");
    let left = (await of.store.count()) - mostKept;
    for (let oldest = await of.store.index("at").openCursor(); oldest && left > 0; left--) {
      await oldest.delete();
      oldest = await oldest.continue();
    }
    await of.done;
  } catch {
    // Nothing was kept.
  }
}

/** Has the screens draw what they last showed while the network is away, after a reload too. */
export function keepLastAnswers() {
  queryClient.setDefaultOptions({
    queries: {
      ...queryClient.getDefaultOptions().queries,
      persister: async <T>(
        call: (context: QueryFunctionContext) => T | Promise<T>,
        context: QueryFunctionContext,
        query: Query,
      ): Promise<T> => {
        const kind = kindOf(query);
        if (ofDrafts.has(kind)) return ofDraft(kind, query, () => Promise.resolve(call(context)));
        return whole.has(kind)
          ? askOrLast(query.queryHash, () => Promise.resolve(call(context)))
          : Promise.resolve(call(context));
      },
    },
  });
  void prune();
}

async function ofDraft<T>(kind: string, query: Query, call: () => Promise<T>): Promise<T> {
  try {
    const data = await call();
    // The first is kept at once, and the last after a pause; not each of those between.
    const since = settling.get(kind);
    if (since === undefined) void keep(query.queryHash, data);
    clearTimeout(since);
    settling.set(
      kind,
      setTimeout(() => {
        settling.delete(kind);
        if (since !== undefined) void keep(query.queryHash, data);
      }, settleMs),
    );
    return data;
  } catch (error) {
    const last = isAway(error) ? await lastAnswer<T>(query.queryHash) : undefined;
    if (last === undefined) throw error;
    return last;
  }
}
