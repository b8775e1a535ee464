import { BookOpen, Keyboard, Lamp, Search, Settings } from "lucide-react";
import { lazy, Suspense, useEffect, useLayoutEffect, useState } from "react";
import { Link, NavLink, Outlet, useLocation, useNavigate } from "react-router";
import { IconButton, Toasts } from "../ui";
import { switchTheme } from "../craft/theme";
import { typing } from "../ui/typing";
import { AboutDialog } from "./AboutDialog";
import { Connection } from "./Connection";
import { allPlaces, guide, homeOf, places, settings, viewAt } from "./screens";

const ShortcutsDialog = lazy(async () => ({ default: (await import("./ShortcutsDialog")).ShortcutsDialog }));
const TermTips = lazy(async () => ({ default: (await import("./TermTips")).TermTips }));
const VisionFilters = lazy(async () => ({ default: (await import("./VisionFilters")).VisionFilters }));
const Palette = lazy(() => import("./Palette"));

const chordMs = 1_200;

export function Shell() {
  const [help, setHelp] = useState(false);
  const [about, setAbout] = useState(false);
  const [finding, setFinding] = useState(false);
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const here = viewAt(pathname);
  const guideTo = here && here.place !== guide ? `${homeOf(guide)}/${here.place.label.toLowerCase()}` : homeOf(guide);
  // At the bench its place is always kept free: nothing moves under a wet finger as a message comes or goes.
  const atBench = pathname === "/bench";
  // Before what the screen itself does: it may name what is open.
  useLayoutEffect(() => {
    document.title = here ? `${here.view.label} - Lowfell` : "Lowfell";
  }, [here?.view.label, pathname]);
  useEffect(() => {
    let leading = 0;
    function onKey(e: KeyboardEvent) {
      if ((e.ctrlKey || e.metaKey) && !e.altKey && e.key.toLowerCase() === "k") {
        e.preventDefault();
        return setFinding(true);
      }
      if (typing(e) || e.ctrlKey || e.metaKey || e.altKey) return;
      const place = allPlaces.find((p) => p.key === e.key);
      if (e.key === "?") setHelp(true);
      else if (e.key === "/") {
        e.preventDefault();
        setFinding(true);
      } else if (place && Date.now() - leading < chordMs) {
        leading = 0;
        e.stopImmediatePropagation();
        void navigate(homeOf(place));
      } else if (e.key === "g") leading = Date.now();
    }
    window.addEventListener("keydown", onKey, true);
    return () => window.removeEventListener("keydown", onKey, true);
  }, [navigate]);
  return (
    <div className="flex min-h-screen flex-col">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-raised focus:p-2">
        Skip to the work
      </a>
      <header className="flex min-h-11 flex-wrap items-stretch gap-x-2 border-b border-line bg-panel px-2 sm:gap-x-4 lg:px-4 print:hidden">
        <button
          type="button"
          title="About Lowfell: its version, and what it is made with"
          className="min-h-8 self-center rounded px-1 font-semibold tracking-wide hover:bg-tint"
          onClick={() => setAbout(true)}
        >
          Lowfell
        </button>
        <nav
          aria-label="Places"
          className="order-last flex w-full justify-between sm:order-none sm:w-auto sm:justify-start lg:gap-1"
        >
          {places.map((p) => (
            <NavLink
              key={p.label}
              to={homeOf(p)}
              title={`${p.help} (g ${p.key})`}
              aria-current={here?.place === p ? "page" : undefined}
              className={`flex min-h-10 items-center border-b-2 px-2 sm:px-3 ${here?.place === p ? "border-accent font-semibold" : "border-transparent text-soft hover:text-ink"}`}
            >
              {p.label}
            </NavLink>
          ))}
        </nav>
        {!atBench && (
          <div className="min-w-0 flex-1 self-center max-lg:order-last max-lg:w-full max-lg:flex-none max-lg:has-[li]:py-1 lg:max-w-xl lg:ml-auto">
            <Toasts />
          </div>
        )}
        <div className={`flex items-center gap-1 max-lg:ml-auto ${atBench ? "ml-auto" : ""}`}>
          <button
            type="button"
            aria-keyshortcuts="Control+K /"
            onClick={() => setFinding(true)}
            className="flex min-h-8 items-center gap-2 rounded border border-strong bg-raised px-2 text-sm text-soft hover:bg-tint lg:w-64"
          >
            <Search size={15} aria-hidden />
            <span className="truncate max-lg:sr-only">Find a piece, paint, entry</span>
            <kbd className="ml-auto font-sans text-xs whitespace-nowrap max-lg:hidden">Ctrl K</kbd>
          </button>
          <Link
            to={guideTo}
            aria-label="Guide"
            title={`${guide.help} (g ${guide.key})`}
            aria-current={here?.place === guide ? "page" : undefined}
            className={`inline-flex size-8 items-center justify-center rounded hover:bg-tint max-sm:hidden ${here?.place === guide ? "bg-tint" : ""}`}
          >
            <BookOpen size={18} aria-hidden />
          </Link>
          <IconButton label="Keys" onClick={() => setHelp(true)}>
            <Keyboard size={18} aria-hidden />
          </IconButton>
          <IconButton label="Day or lamp light" onClick={switchTheme}>
            <Lamp size={18} aria-hidden />
          </IconButton>
          <Link
            to={homeOf(settings)}
            aria-label="Settings"
            title={`${settings.help} (g ${settings.key})`}
            aria-current={here?.place === settings ? "page" : undefined}
            className={`inline-flex size-8 items-center justify-center rounded hover:bg-tint ${here?.place === settings ? "bg-tint" : ""}`}
          >
            <Settings size={18} aria-hidden />
          </Link>
        </div>
      </header>
      <Connection />
      <main id="main" className="flex min-h-0 flex-1 flex-col">
        <Outlet />
      </main>
      {atBench && (
        <div className="sticky bottom-0 z-10 flex min-h-16 items-center bg-ground px-4 py-1 has-[li]:bg-panel print:hidden">
          <div className="mx-auto w-full max-w-4xl">
            <Toasts />
          </div>
        </div>
      )}
      {about && <AboutDialog onClose={() => setAbout(false)} />}
      <Suspense>
        <TermTips />
        <VisionFilters />
        {help && <ShortcutsDialog open guideTo={guideTo} onClose={() => setHelp(false)} />}
      </Suspense>
      {finding && (
        <Suspense>
          <Palette onClose={() => setFinding(false)} onKeys={() => setHelp(true)} />
        </Suspense>
      )}
    </div>
  );
}
