import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { LogAction } from "./types";

/** A picture as it waits: its bytes, as not every browser keeps files. */
export interface Picture {
  type: string;
  bytes: ArrayBuffer;
}

/** An action that the host has not got yet. */
export interface Waiting {
  /** Its place in the row; given as it is kept. */
  seq?: number;
  action: LogAction;
  /** What it is, for the painter. */
  what: string;
  /** Sent before it, under the id that the action names. */
  picture?: Picture;
  /** How often the host failed on it. */
  tries: number;
}

/** An action that the host would not take, with its reason. */
export interface Aside extends Waiting {
  id: string;
  why: string;
}

interface Kept extends DBSchema {
  taps: { key: number; value: Waiting; indexes: { id: string } };
  aside: { key: string; value: Aside };
  answers: { key: string; value: { key: string; at: number; data: unknown }; indexes: { at: number } };
}

let opened: Promise<IDBPDatabase<Kept>> | undefined;

/** What this browser keeps, one entry for each thing, shared by all its tabs. */
export const keptHere = (): Promise<IDBPDatabase<Kept>> =>
  (opened ??= openDB<Kept>("lowfell", 1, {
    upgrade(db) {
      db.createObjectStore("taps", { keyPath: "seq", autoIncrement: true }).createIndex("id", "action.id", {
        unique: true,
      });
      db.createObjectStore("aside", { keyPath: "id" });
      db.createObjectStore("answers", { keyPath: "key" }).createIndex("at", "at");
    },
    // Another tab has a newer page open: this one makes way and opens anew when it needs to.
    blocking: (_, __, event) => {
      (event.target as IDBDatabase).close();
      opened = undefined;
    },
    terminated: () => (opened = undefined),
  }));
