import { queryClient } from "./client";
import type { QueryName } from "./queries";
import type { Bench, BoardView, Coat, Tray, WeatheringView, ZonePage } from "./types";

const judged: QueryName[] = ["preview", "cost", "help", "wet", "primers", "mends", "mendAll", "judgement", "effects"];
const planned: QueryName[] = ["fewer", "plan", "firstCopy", "whatIfs", "doneBy", "progress"];
/** Where sets and pieces show how they look and stand. */
const shown: QueryName[] = [
  "references",
  "cards",
  "wetOf",
  "set",
  "piece",
  "look",
  "sight",
  "stairs",
  "setSight",
  "board",
  "lines",
  "weathering",
  "weatherCards",
  "coatMarks",
];

/** What a change makes stale. */
const stale = {
  /** Sets, pieces and zones. */
  tree: [
    ...shown,
    "tray",
    "traySteps",
    "zones",
    "bin",
    "zone",
    "schemes",
    "scheme",
    "amounts",
    "match",
    "effects",
    ...planned,
  ],
  /** A stack, changed by another screen than its own. */
  stack: [
    ...shown,
    "ground",
    "traySteps",
    "zone",
    "versions",
    "schemes",
    "scheme",
    "amounts",
    "match",
    "effects",
    "standIns",
    ...planned,
  ],
  /** What a paint is: how it covers, dries, mixes. */
  shelf: [
    "begun",
    "readyOn",
    "ground",
    "pastedPaints",
    "starter",
    "ready",
    "traySteps",
    "materials",
    "mixes",
    "near",
    "swatch",
    "standIns",
    "calibrations",
    "stripe",
    "mixPreview",
    "ratio",
    "again",
    ...shown,
    "bin",
    "zone",
    "amounts",
    "tilePreview",
    "match",
    ...judged,
    ...planned,
  ],
  /** How much of it there is. */
  bottles: ["materials", "amounts", "mixRecords", "again"],
  /** Recipes. */
  mixes: ["mixes", "mixPreview", "bin", ...shown, "zone", "amounts", "match", ...judged, ...planned],
  /** What was mixed, and where it went. */
  mixRecords: ["mixRecords", "again", "materials", "amounts"],
  /** Bases: what lies where on a tray, and so what it takes. */
  tray: ["tray", "placement", "traySteps", "trayRim", ...shown, "zone", "amounts", ...planned],
  /** What pieces are shown as. */
  look: ["look"],
  /** How the pieces of a set stand. */
  board: ["board", "lines", "weathering", "weatherCards", "coatMarks"],
  /** How the copies of a piece are weathered. */
  weathering: ["weathering", "weatherCards", "coatMarks", "look"],
  /** Rules of the families of bases. */
  families: ["baseFamilies", "tray", "traySteps", "amounts", "bin"],
  /** Stones, slabs and tufts on the shelf. */
  boxes: ["elementBoxes", "tray", "amounts", "bin"],
  tiles: ["tiles", "bin"],
  painted: ["painted", "match", "bin"],
  /** Pictures that sets and pieces are to look like. */
  references: ["references", "bin"],
  /** The evenings, and the air of the room. */
  calendar: ["begun", "calendar", "crackle", ...shown, "zone", "amounts", ...judged, ...planned],
  /** Schemes of the painter's own. */
  readySchemes: ["ready", "readyOn", "begun"],
  /** What there is to paint with. */
  tools: ["bench", "begun", "ready", "readyOn", "ground", ...shown, ...judged, ...planned],
  /** Preferences. */
  schools: [
    "begun",
    "ready",
    "readyOn",
    "ground",
    "trayRim",
    ...shown,
    "zone",
    "amounts",
    "match",
    ...judged,
    ...planned,
  ],
  /** The plan that is held. */
  plan: [...planned, "amounts"],
  feed: ["feed"],
  /** Mends: steps on some copies, a change of the plan, an entry of the log. */
  mends: ["repairs", "mendCase", "log", "zone", "scheme", "versions", "amounts", ...shown, ...planned],
  /** What the painter's own eyes see. */
  trial: ["sightTrial", "sight", "stairs", "setSight"],
  /** What was done. */
  log: [
    "log",
    "mendCase",
    "repairs",
    "cards",
    "piece",
    "amounts",
    "materials",
    "mixRecords",
    "tray",
    "elementBoxes",
    ...planned,
  ],
} satisfies Record<string, QueryName[]>;

/** Something that a painter changes. */
export type Change = keyof typeof stale;

/** What takes seconds to work out: nobody waits for it. */
const slow: QueryName[] = ["whatIfs", "doneBy", "effects", "standIns", "match"];

/** Tells that something was changed: what follows from it is asked for anew, at once where it is shown. Resolves once that is there, but for what takes seconds. */
export function changed(...what: Change[]): Promise<void> {
  const isSlow = (name: string) => (slow as string[]).includes(name);
  const about = (wanted: boolean) =>
    queryClient.invalidateQueries({
      predicate: (q) => isStale(what, String(q.queryKey[0])) && isSlow(String(q.queryKey[0])) === wanted,
    });
  void about(true);
  return about(false);
}

/** Whether a question is answered otherwise after changes. */
export const isStale = (what: readonly Change[], query: string): boolean =>
  what.some((w) => (stale[w] as readonly string[]).includes(query));

/** Everything is asked for anew, as after the host was away. */
export const allChanged = (): Promise<void> =>
  queryClient.invalidateQueries({ predicate: (q) => q.queryKey[0] !== "health" });

/** A stack was kept by its own screen: every page that shows it takes the coats over; the rest is asked for when it is next looked at. */
export function stackKept(schemeId: string, version: number, coats: Coat[]) {
  const shows = (page: ZonePage | undefined) => page?.scheme.id === schemeId;
  queryClient.setQueriesData<ZonePage>({ queryKey: ["zone"] }, (page) =>
    page && shows(page) ? { ...page, scheme: { ...page.scheme, version, coats } } : page,
  );
  // Pages of other zones tell what is around them.
  void queryClient.invalidateQueries({
    predicate: (q) =>
      isStale(["stack"], String(q.queryKey[0])) &&
      !(q.queryKey[0] === "zone" && shows(q.state.data as ZonePage | undefined)),
    refetchType: "none",
  });
}

/** A tray was kept, or rolled, by its own screen: shown at once, what follows from it asked for anew. */
export function trayKept(tray: Tray) {
  queryClient.setQueryData(["tray", tray.pieceId], tray);
  void changed("tray");
}

/** A board was kept by its own screen: shown at once. */
export function boardKept(board: BoardView) {
  queryClient.setQueryData(["board", board.setId], board);
  void queryClient.invalidateQueries({
    predicate: ({ queryKey }) => ["lines", "weathering", "weatherCards", "coatMarks"].includes(String(queryKey[0])),
  });
}

/** A weathering plan was kept by its own screen: shown at once. */
export function weatheringKept(view: WeatheringView) {
  queryClient.setQueryData(["weathering", view.pieceId, view.answer.copy], view);
  // What was looked at of other copies is of the plan before.
  void queryClient.invalidateQueries({
    predicate: ({ queryKey }) =>
      (queryKey[0] === "weathering" && queryKey[1] === view.pieceId && queryKey[2] !== view.answer.copy) ||
      ["weatherCards", "coatMarks", "look"].includes(String(queryKey[0])),
  });
}

/** The preferences are others now: shown at once, what follows from them asked for anew. */
export function schoolsChosen(bench: Bench) {
  queryClient.setQueryData(["bench"], bench);
  void changed("schools");
}

/** Something else lies on the scale: what it showed before is forgotten. */
export const scaleLoaded = () => queryClient.removeQueries({ queryKey: ["scale"] });
