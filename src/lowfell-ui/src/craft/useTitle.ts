import { useEffect } from "react";
import { useLocation } from "react-router";

/** Names what is open in the tab of the browser; the frame names the view where nothing is open. */
export function useTitle(name: string | undefined) {
  const { pathname } = useLocation();
  useEffect(() => {
    if (name) document.title = `${name} - Lowfell`;
  }, [name, pathname]);
}
