import { createBrowserRouter, redirect } from "react-router";
import { SetsScreen } from "../features/sets/SetsScreen";
import { Shell } from "./Shell";
import { Trouble } from "./Trouble";

/** Where the stack was open last; the screen opens there again. */
export const lastZoneKey = "lowfell.lastZone";

export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Trouble />,
    children: [
      { path: "/", loader: () => redirect("/sets") },
      { path: "/sets", element: <SetsScreen /> },
      {
        path: "/stack",
        lazy: async () => ({
          Component: (await import("../features/stack/StackStart")).StackStart,
        }),
      },
      {
        path: "/stack/:zoneId",
        lazy: async () => ({
          Component: (await import("../features/stack/StackScreen")).StackScreen,
        }),
      },
      {
        path: "/shelf",
        lazy: async () => ({
          Component: (await import("../features/shelf/ShelfScreen")).ShelfScreen,
        }),
      },
      {
        path: "/mixes",
        lazy: async () => ({
          Component: (await import("../features/mixes/MixesScreen")).MixesScreen,
        }),
      },
      {
        path: "/amounts",
        lazy: async () => ({
          Component: (await import("../features/amounts/AmountsScreen")).AmountsScreen,
        }),
      },
      {
        path: "/tiles",
        lazy: async () => ({
          Component: (await import("../features/tiles/TilesScreen")).TilesScreen,
        }),
      },
      {
        path: "/match",
        lazy: async () => ({
          Component: (await import("../features/match/MatchScreen")).MatchScreen,
        }),
      },
      {
        path: "/evenings",
        lazy: async () => ({
          Component: (await import("../features/evenings/EveningsScreen")).EveningsScreen,
        }),
      },
      {
        path: "/log",
        lazy: async () => ({
          Component: (await import("../features/log/LogScreen")).LogScreen,
        }),
      },
      {
        path: "/bench",
        lazy: async () => ({
          Component: (await import("../features/bench/BenchScreen")).BenchScreen,
        }),
      },
      {
        path: "/schools",
        lazy: async () => ({
          Component: (await import("../features/schools/SchoolsScreen")).SchoolsScreen,
        }),
      },
      { path: "*", element: <Trouble /> },
    ],
  },
]);
