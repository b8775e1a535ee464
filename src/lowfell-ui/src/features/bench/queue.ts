import { changed } from "../../api/changes";
import { api, ask, Problem } from "../../api/client";
import type { LogAction } from "../../api/types";
import { sendPicture } from "../../craft/logAction";
import type { Aside, Waiting } from "../../api/here";
import { adoptOld, browserOutbox, type Outbox } from "../../craft/outbox";

/** Something done at the table, with an id of its own: sent twice, it is written once. */
export type BenchAction = LogAction;

const retryMs = 2_000;

/** The host may fail on an action for a moment; after so many times it is the action. */
const mostTries = 3;
const remembered = 200;
type Listener = () => void;
type Said = { taken?: BenchAction; at?: number };

/** What tabs share: who sends, and what has changed. */
export interface Tabs {
  /** Runs while no other tab does. */
  alone: (run: () => Promise<void>) => Promise<void>;
  tell: (said: Said) => void;
  hear: (listener: (said: Said) => void) => void;
}

/** The tabs of this browser. */
export function browserTabs(): Tabs {
  const channel = typeof BroadcastChannel === "undefined" ? undefined : new BroadcastChannel("lowfell.taps");
  return {
    alone: (run) => (navigator.locks ? navigator.locks.request("lowfell.sender", run).then(() => {}) : run()),
    tell: (said) => channel?.postMessage(said),
    hear: (listener) => channel?.addEventListener("message", (e: MessageEvent<Said>) => listener(e.data)),
  };
}

/** Actions wait in the browser until the host has them: in order, once each, over reloads, lost networks and several tabs. */
export class BenchQueue {
  private fresh: Waiting[] = [];
  private kept: Waiting[] = [];
  private aside: Aside[] = [];
  private shown: readonly BenchAction[] = [];
  private taken: { action: BenchAction; at: number }[] = [];
  private listeners = new Set<Listener>();
  private sending = false;
  private held = false;
  private adopted: Promise<void> | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly send: (entry: Waiting) => Promise<unknown>,
    private readonly outbox: Outbox = browserOutbox,
    private readonly tabs: Tabs = browserTabs(),
    private readonly onTaken: () => void = () => {},
  ) {
    tabs.hear((said) => {
      if (said.taken) this.remember(said.taken, said.at!);
      // Whoever sends may be closed before it is done: this tab looks after a while too.
      void this.look().then(() => this.kept.length > 0 && this.later());
    });
    void this.look();
  }

  /** What the host has not got yet, the oldest first. */
  get pending(): readonly BenchAction[] {
    return this.shown;
  }

  /** What the host has taken since this page was opened, with the moment: a plan asked for before that does not know of it. */
  get recent(): readonly { action: BenchAction; at: number }[] {
    return this.taken;
  }

  /** How many wait because the host was not reached; one that is just on its way is no news. */
  get stuck(): number {
    return this.held ? this.shown.length : 0;
  }

  /** What the host would not take, with its reason. */
  get refused(): readonly Aside[] {
    return this.aside;
  }

  subscribe = (listener: Listener) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Puts an action into the row and sends it when its turn comes. */
  async add(action: BenchAction, what = "", file?: File): Promise<void> {
    const entry: Waiting = { action, what, tries: 0 };
    this.fresh = [...this.fresh, entry];
    this.show();
    if (file) entry.picture = { type: file.type || "image/jpeg", bytes: await file.arrayBuffer() };
    await this.outbox.add(entry);
    this.fresh = this.fresh.filter((f) => f !== entry);
    await this.look();
    this.tabs.tell({});
    await this.flush();
  }

  /** Sends what waits, one after the other and from one tab at a time; tries again later where nothing answers. */
  async flush(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.timer);
    try {
      // A browser may keep nothing of either kind.
      await (this.adopted ??= adoptOld(this.outbox).catch(() => {}));
      await this.tabs.alone(() => this.sendAll());
    } catch {
      this.later();
    } finally {
      this.sending = false;
    }
    await this.look();
    // What came in while the last one was on its way.
    if (this.kept.length > 0 && this.timer === undefined) await this.flush();
  }

  /** Puts what was refused back into the row, without its picture where that was the trouble. */
  async again(entry: Aside, withoutPicture = false): Promise<void> {
    const action = withoutPicture ? { ...entry.action, photoId: undefined } : entry.action;
    await this.outbox.settle(entry, { action, picture: withoutPicture ? undefined : entry.picture });
    await this.look();
    await this.flush();
  }

  /** The painter has seen that it was refused, and lets it go. */
  async forget(entry: Aside): Promise<void> {
    await this.outbox.settle(entry);
    await this.look();
    this.tabs.tell({});
  }

  private async sendAll() {
    this.timer = undefined;
    for (;;) {
      const [next] = (await this.outbox.all()).waiting;
      if (!next) {
        this.held = false;
        break;
      }
      try {
        await this.send(next);
        await this.outbox.remove(next);
        const at = Date.now();
        this.remember(next.action, at);
        this.tabs.tell({ taken: next.action, at });
      } catch (error) {
        const failed = !(error instanceof Problem) || error.status >= 500;
        if ((error instanceof Problem && error.passing) || (failed && next.tries + 1 < mostTries)) {
          if (failed && !(error instanceof Problem && error.passing)) await this.outbox.failed(next);
          this.held = true;
          return this.later();
        }
        await this.outbox.remove(next, error instanceof Problem ? error.full : "Something has failed here.");
        this.tabs.tell({});
      }
      await this.look();
      if (this.kept.length === 0) this.onTaken();
    }
  }

  private later() {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), retryMs);
  }

  private remember(action: BenchAction, at: number) {
    this.taken = [...this.taken.slice(-remembered), { action, at }];
  }

  // What is kept, as it is now: other tabs add and send too.
  private async look() {
    try {
      ({ waiting: this.kept, aside: this.aside } = await this.outbox.all());
    } catch {
      // What is shown stays.
    }
    this.show();
  }

  private show() {
    const known = new Set(this.kept.map((k) => k.action.id));
    this.shown = [...this.kept, ...this.fresh.filter((f) => !known.has(f.action.id))].map((w) => w.action);
    for (const listener of this.listeners) listener();
  }
}

/** Touches follow each other: the plan is asked for when there is a pause, as {@link BenchQueue.recent} tells what it doesn't know. */
const pauseMs = 1_500;
let pause: ReturnType<typeof setTimeout> | undefined;

/** Sends one with its picture before it: both under ids of their own, so that either may be sent again. */
async function sendOne({ action, picture }: Waiting) {
  if (picture) await sendPicture(action.photoId!, new Blob([picture.bytes], { type: picture.type }));
  await ask(api.POST("/api/log", { body: action }));
}

/** The one queue of this browser. */
export const benchQueue = new BenchQueue(sendOne, browserOutbox, browserTabs(), () => {
  clearTimeout(pause);
  pause = setTimeout(() => void changed("log"), pauseMs);
});
