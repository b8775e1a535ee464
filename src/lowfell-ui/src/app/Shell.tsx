import { Keyboard, Lamp } from "lucide-react";
import { useEffect, useState } from "react";
import { NavLink, Outlet, useLocation, useNavigate } from "react-router";
import { IconButton, Toasts } from "../ui";
import { AboutDialog } from "./AboutDialog";
import { Connection } from "./Connection";
import { ShortcutsDialog } from "./ShortcutsDialog";
import { screenAt, screens } from "./screens";
import { typing } from "../ui/typing";

export function Shell() {
  const [help, setHelp] = useState(false);
  const [about, setAbout] = useState(false);
  const navigate = useNavigate();
  const { pathname } = useLocation();
  useEffect(() => {
    const screen = screenAt(pathname);
    document.title = screen ? `${screen.title} - Lowfell` : "Lowfell";
  }, [pathname]);
  useEffect(() => {
    let leading = 0;
    function onKey(e: KeyboardEvent) {
      if (typing(e) || e.ctrlKey || e.metaKey || e.altKey) return;
      const screen = screens.find((s) => s.key === e.key);
      if (e.key === "?") setHelp(true);
      else if (screen && Date.now() - leading < 1200) {
        leading = 0;
        e.stopImmediatePropagation();
        void navigate(screen.path);
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
      <header className="print:hidden flex h-11 items-center gap-2 border-b border-line bg-panel px-3 lg:gap-5 lg:px-4">
        <button
          type="button"
          title="About Lowfell: its version, and what it is made with"
          className="min-h-8 rounded px-1 font-semibold tracking-wide hover:bg-tint"
          onClick={() => setAbout(true)}
        >
          Lowfell
        </button>
        <nav aria-label="Screens" className="flex h-full min-w-0 overflow-x-auto lg:gap-1">
          {screens.map((s) => (
            <NavLink
              key={s.path}
              to={s.path}
              title={`${s.help} (g ${s.key})`}
              className={({ isActive }) =>
                `flex items-center border-b-2 px-2 text-sm lg:px-3 ${isActive ? "border-accent font-semibold" : "border-transparent text-soft hover:text-ink"}`
              }
            >
              {s.label}
            </NavLink>
          ))}
        </nav>
        <div className="ml-auto flex items-center gap-1">
          <IconButton label="Keys" onClick={() => setHelp(true)}>
            <Keyboard size={18} aria-hidden />
          </IconButton>
          <IconButton label="Day or lamp light" onClick={switchTheme}>
            <Lamp size={18} aria-hidden />
          </IconButton>
        </div>
      </header>
      <Connection />
      <main id="main" className="flex min-h-0 flex-1 flex-col">
        <Outlet />
      </main>
      <Toasts />
      {about && <AboutDialog onClose={() => setAbout(false)} />}
      <ShortcutsDialog open={help} onClose={() => setHelp(false)} />
    </div>
  );
}

function switchTheme() {
  const root = document.documentElement;
  root.dataset.theme = root.dataset.theme === "lamp" ? "day" : "lamp";
  localStorage.setItem("lowfell.theme", root.dataset.theme);
}
