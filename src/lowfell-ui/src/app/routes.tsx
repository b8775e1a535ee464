import { createBrowserRouter, redirect, type RouteObject } from "react-router";
import { ScreenTrouble } from "./ScreenTrouble";
import { Shell } from "./Shell";
import { type Screen, screens } from "./screens";
import { Trouble } from "./Trouble";

/** A part of the program that came cut off has no screen in it: that is a failure too. */
async function open(load: Screen["load"]) {
  const Component = await load();
  if (!Component) throw new Error("The screen is not in what came.");
  return { Component };
}

/** The screens inside their frame; one that does not open says so there, and the frame stays. */
export const inFrame = (all: readonly Screen[]): RouteObject => ({
  errorElement: <ScreenTrouble />,
  children: all
    .flatMap((s) => [{ path: s.path, load: s.load }, ...(s.within ?? [])])
    .map(({ path, load }) => ({ path, lazy: () => open(load) })),
});

export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Trouble />,
    children: [
      { path: "/", loader: () => redirect(screens[0]!.path) },
      inFrame(screens),
      { path: "*", element: <Trouble /> },
    ],
  },
]);
