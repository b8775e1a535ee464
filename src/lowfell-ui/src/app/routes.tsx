import { createBrowserRouter, generatePath, redirect, type RouteObject } from "react-router";
import { PlaceViews } from "./PlaceViews";
import { ScreenTrouble } from "./ScreenTrouble";
import { Shell } from "./Shell";
import { allPlaces, homeOf, oldAddresses, type Place, places, type View } from "./screens";
import { Trouble } from "./Trouble";

/** A part of the program that came cut off has no screen in it: that is a failure too. */
async function open(load: View["load"]) {
  const Component = await load();
  if (!Component) throw new Error("The screen is not in what came.");
  return { Component };
}

const inside = (place: Place): RouteObject[] => [
  ...place.views
    .flatMap((v) => [{ path: v.path, load: v.load }, ...(v.within ?? [])])
    .map(({ path, load }) => ({ path, lazy: () => open(load) })),
  ...(place.frame
    ? [
        {
          path: place.frame.path,
          lazy: () => open(place.frame!.load),
          children: place.frame.views.map(({ path, load }) =>
            path === "" ? { index: true as const, lazy: () => open(load) } : { path, lazy: () => open(load) },
          ),
        },
      ]
    : []),
];

/** The views of each place inside the frame; one that does not open says so there, and the frame stays. */
export const inFrame = (all: readonly Place[]): RouteObject => ({
  errorElement: <ScreenTrouble />,
  children: all.map((place) =>
    place.views.length > 1
      ? {
          element: <PlaceViews place={place} />,
          children: [{ errorElement: <ScreenTrouble />, children: inside(place) }],
        }
      : { children: inside(place) },
  ),
});

const old: RouteObject[] = Object.entries(oldAddresses).map(([from, to]) => ({
  path: from,
  loader: ({ params }) => redirect(generatePath(to, params)),
}));

export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Trouble />,
    children: [
      { path: "/", loader: () => redirect(homeOf(places[0]!)) },
      ...old,
      inFrame(allPlaces),
      { path: "*", element: <Trouble /> },
    ],
  },
]);
