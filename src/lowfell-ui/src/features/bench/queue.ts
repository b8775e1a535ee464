import { changed } from "../../api/changes";
import { api, ask, Problem } from "../../api/client";
import type { LogAction } from "../../api/types";
import { tapsKey } from "../../craft/waitingTaps";

/** Something done at the table, with an id of its own: sent twice, it is written once. */
export type BenchAction = LogAction;

const refusedKey = "lowfell.benchRefused";
const retryMs = 2_000;
type Listener = () => void;

/** Actions wait in the browser until the host has them: in order, once each, over reloads and lost networks. */
export class BenchQueue {
  private waiting: BenchAction[];
  private taken: { action: BenchAction; at: number }[] = [];
  private listeners = new Set<Listener>();
  private sending = false;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly send: (action: BenchAction) => Promise<unknown>,
    private readonly store: Storage = localStorage,
    private readonly onTaken: () => void = () => {},
  ) {
    this.waiting = read(store, tapsKey);
  }

  /** What the host has not got yet, the oldest first. */
  get pending(): readonly BenchAction[] {
    return this.waiting;
  }

  /** What the host has taken since this page was opened, with the moment: a plan asked for before that does not know of it. */
  get recent(): readonly { action: BenchAction; at: number }[] {
    return this.taken;
  }

  /** What the host would not take, with its reason. */
  get refused(): { action: BenchAction; why: string }[] {
    return read(this.store, refusedKey);
  }

  subscribe = (listener: Listener) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  add(action: BenchAction) {
    this.change([...this.waiting, action]);
    void this.flush();
  }

  /** Sends what waits, one after the other; tries again later where nothing answers. */
  async flush(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.timer);
    while (this.waiting.length > 0) {
      const next = this.waiting[0]!;
      try {
        await this.send(next);
        this.taken = [...this.taken.slice(-200), { action: next, at: Date.now() }];
      } catch (error) {
        if (!(error instanceof Problem) || error.passing || error.status >= 500) {
          this.timer = setTimeout(() => void this.flush(), retryMs);
          break;
        }
        this.store.setItem(refusedKey, JSON.stringify([...this.refused, { action: next, why: error.full }]));
      }
      this.change(this.waiting.slice(1));
      if (this.waiting.length === 0) this.onTaken();
    }
    this.sending = false;
  }

  /** The painter has seen what was refused. */
  forgetRefused() {
    this.store.removeItem(refusedKey);
    this.change(this.waiting);
  }

  private change(to: BenchAction[]) {
    this.waiting = to;
    this.store.setItem(tapsKey, JSON.stringify(to));
    for (const listener of this.listeners) listener();
  }
}

function read<T>(store: Storage, key: string): T[] {
  try {
    return JSON.parse(store.getItem(key) ?? "[]") as T[];
  } catch {
    return [];
  }
}

/** Touches follow each other: the plan is asked for when there is a pause, as {@link BenchQueue.recent} tells what it doesn't know. */
const pauseMs = 1_500;
let pause: ReturnType<typeof setTimeout> | undefined;

/** The one queue of this browser. */
export const benchQueue = new BenchQueue(
  (action) => ask(api.POST("/api/log", { body: action })),
  localStorage,
  () => {
    clearTimeout(pause);
    pause = setTimeout(() => void changed("log"), pauseMs);
  },
);
