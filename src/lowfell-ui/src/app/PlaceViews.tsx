import { NavLink, Outlet } from "react-router";
import { viewLink } from "../ui";
import { homeOf, type Place } from "./screens";

/** The views of a place, side by side above the one that is open. */
export function PlaceViews({ place }: { place: Place }) {
  return (
    <>
      <nav
        aria-label={`Views of ${place.label}`}
        className="scroll-quiet flex shrink-0 overflow-x-auto border-b border-line bg-panel px-2 lg:px-3 print:hidden"
      >
        {place.views.map((v) => (
          <NavLink key={v.path} to={v.path} end={v.path === homeOf(place)} title={v.help} className={viewLink}>
            {v.label}
          </NavLink>
        ))}
      </nav>
      <Outlet />
    </>
  );
}
