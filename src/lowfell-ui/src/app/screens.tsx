import type { ComponentType } from "react";
import { SetsScreen } from "../features/sets/SetsScreen";

/** A screen: where it is, what it is called, the key after g that opens it, what it is for, and its part of the program. */
export interface Screen {
  path: string;
  label: string;
  key: string;
  /** The tab of the browser says so. */
  title: string;
  help: string;
  load: () => Promise<ComponentType>;
  /** What opens from it, at an address below its own. */
  within?: { path: string; load: () => Promise<ComponentType> }[];
}

/** Every screen there is: routes, navigation, keys and the tests of the browser go by this table. */
export const screens: Screen[] = [
  {
    path: "/sets",
    label: "Sets",
    key: "s",
    title: "Sets",
    help: "What there is to paint",
    load: async () => SetsScreen,
  },
  {
    path: "/stack",
    label: "Stack",
    key: "t",
    title: "Stack",
    help: "The coats of a zone",
    load: async () => (await import("../features/stack/StackStart")).StackStart,
    within: [{ path: "/stack/:zoneId", load: async () => (await import("../features/stack/StackScreen")).StackScreen }],
  },
  {
    path: "/shelf",
    label: "Shelf",
    key: "h",
    title: "Shelf",
    help: "Paints and bottles",
    load: async () => (await import("../features/shelf/ShelfScreen")).ShelfScreen,
  },
  {
    path: "/mixes",
    label: "Mixes",
    key: "x",
    title: "Mixes",
    help: "Recipes, and what was mixed",
    load: async () => (await import("../features/mixes/MixesScreen")).MixesScreen,
  },
  {
    path: "/amounts",
    label: "Amounts",
    key: "a",
    title: "Amounts",
    help: "How much of what, and what to buy",
    load: async () => (await import("../features/amounts/AmountsScreen")).AmountsScreen,
  },
  {
    path: "/evenings",
    label: "Evenings",
    key: "e",
    title: "Evenings",
    help: "The plan, and when it is done",
    load: async () => (await import("../features/evenings/EveningsScreen")).EveningsScreen,
  },
  {
    path: "/bench",
    label: "Bench",
    key: "b",
    title: "Bench",
    help: "What now, beside the rinse water",
    load: async () => (await import("../features/bench/BenchScreen")).BenchScreen,
  },
  {
    path: "/log",
    label: "Log",
    key: "g",
    title: "Log",
    help: "What was done",
    load: async () => (await import("../features/log/LogScreen")).LogScreen,
  },
  {
    path: "/tiles",
    label: "Tiles",
    key: "l",
    title: "Test tiles",
    help: "Grounds by washes, before the real thing",
    load: async () => (await import("../features/tiles/TilesScreen")).TilesScreen,
  },
  {
    path: "/match",
    label: "Match",
    key: "m",
    title: "Match",
    help: "An older set from today's shelf",
    load: async () => (await import("../features/match/MatchScreen")).MatchScreen,
  },
  {
    path: "/schools",
    label: "Schools",
    key: "o",
    title: "Schools",
    help: "Where good painters disagree",
    load: async () => (await import("../features/schools/SchoolsScreen")).SchoolsScreen,
  },
];

/** The screen that an address belongs to. */
export const screenAt = (path: string): Screen | undefined =>
  screens.find((s) => path === s.path || path.startsWith(`${s.path}/`));
