import { type Aside, keptHere, type Waiting } from "../api/here";
import type { LogAction } from "../api/types";

/** Where actions wait, in order, over reloads and for every tab of this browser. */
export interface Outbox {
  all(): Promise<{ waiting: Waiting[]; aside: Aside[] }>;
  /** Whether it outlives the page. */
  add(entry: Waiting): Promise<boolean>;
  /** The host has it, or it stands aside: out of the row. */
  remove(entry: Waiting, why?: string): Promise<void>;
  failed(entry: Waiting): Promise<void>;
  /** Puts what stands aside at the end of the row again, or forgets it. */
  settle(aside: Aside, again?: Partial<Waiting>): Promise<void>;
}

/** In the browser's database. */
const database: Outbox = {
  async all() {
    const db = await keptHere();
    const of = db.transaction(["taps", "aside"]);
    const [waiting, aside] = await Promise.all([of.objectStore("taps").getAll(), of.objectStore("aside").getAll()]);
    return { waiting, aside };
  },
  async add(entry) {
    const of = (await keptHere()).transaction("taps", "readwrite", { durability: "strict" });
    // One that waits already is not kept twice.
    if ((await of.store.index("id").getKey(entry.action.id)) === undefined) await of.store.add(entry);
    await of.done;
    return true;
  },
  async remove(entry, why) {
    const of = (await keptHere()).transaction(["taps", "aside"], "readwrite");
    await of.objectStore("taps").delete(entry.seq!);
    if (why !== undefined) await of.objectStore("aside").put({ ...entry, id: entry.action.id, why });
    await of.done;
  },
  async failed(entry) {
    await (await keptHere()).put("taps", { ...entry, tries: entry.tries + 1 });
  },
  async settle({ id, action, what, picture }, again) {
    const of = (await keptHere()).transaction(["taps", "aside"], "readwrite");
    await of.objectStore("aside").delete(id);
    if (again) await of.objectStore("taps").add({ action, what, picture, tries: 0, ...again });
    await of.done;
  },
};

/** While this page is open alone. */
export function memoryOutbox(): Outbox {
  let waiting: Waiting[] = [];
  let aside: Aside[] = [];
  let seq = 0;
  return {
    all: async () => ({ waiting, aside }),
    add: async (entry) => {
      if (!waiting.some((w) => w.action.id === entry.action.id)) waiting = [...waiting, { ...entry, seq: ++seq }];
      return false;
    },
    remove: async (entry, why) => {
      waiting = waiting.filter((w) => w.seq !== entry.seq);
      if (why !== undefined) aside = [...aside, { ...entry, id: entry.action.id, why }];
    },
    failed: async (entry) =>
      void (waiting = waiting.map((w) => (w.seq === entry.seq ? { ...w, tries: w.tries + 1 } : w))),
    settle: async (entry, again) => {
      aside = aside.filter((a) => a.id !== entry.id);
      if (again) waiting = [...waiting, { ...entry, tries: 0, ...again, seq: ++seq }];
    },
  };
}

/** What the first can't keep, as it keeps nothing or is full, waits with this page behind what it keeps. */
export function withSpare(first: Outbox, spare = memoryOutbox()): Outbox {
  const of = async (is: (box: { waiting: Waiting[]; aside: Aside[] }) => boolean) =>
    is(await spare.all()) ? spare : first;
  let isUsed = false;
  const ofTap = (entry: Waiting) => of((box) => box.waiting.some((w) => w.action.id === entry.action.id));
  return {
    all: async () => {
      const kept = first.all().catch((cause) => {
        // One that fails for a moment still keeps what it keeps.
        if (!isUsed) throw cause;
        return { waiting: [], aside: [] };
      });
      const boxes = await Promise.all([kept, spare.all()]);
      return { waiting: boxes.flatMap((b) => b.waiting), aside: boxes.flatMap((b) => b.aside) };
    },
    add: (entry) =>
      first.add(entry).catch(() => {
        isUsed = true;
        return spare.add(entry);
      }),
    remove: async (entry, why) => (await ofTap(entry)).remove(entry, why),
    failed: async (entry) => (await ofTap(entry)).failed(entry),
    settle: async (aside, again) => (await of((box) => box.aside.some((a) => a.id === aside.id))).settle(aside, again),
  };
}

/** Where taps of this browser wait. */
export const browserOutbox: Outbox = withSpare(database);

/** Where taps waited until version 0.20, as one text. */
const oldKey = "lowfell.benchQueue";

/** Takes what waited there into the row; two tabs may do so at once. It stays there too where the row ends with the page: sent twice, it is done once. */
export async function adoptOld(outbox: Outbox, store: Storage = localStorage): Promise<void> {
  let old: LogAction[] = [];
  try {
    old = JSON.parse(store.getItem(oldKey) ?? "[]") as LogAction[];
  } catch {
    // Nobody can read it any more.
  }
  let kept = true;
  for (const action of Array.isArray(old) ? old : []) kept = (await outbox.add({ action, what: "", tries: 0 })) && kept;
  if (kept) store.removeItem(oldKey);
}

/** How many taps of the bench card the host has not got yet, or would not take. */
export async function waitingTaps(): Promise<number> {
  try {
    const { waiting, aside } = await browserOutbox.all();
    return waiting.length + aside.length;
  } catch {
    // A browser that keeps nothing.
    return 0;
  }
}
