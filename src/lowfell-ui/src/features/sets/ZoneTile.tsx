import { Ellipsis } from "lucide-react";
import { Link } from "react-router";
import type { ZoneView } from "../../api/types";
import { FoundCounts, Menu } from "../../ui";
import type { MenuItem } from "../../ui/Menu";
import { MiniCore } from "../../craft/MiniCore";

/** A zone: its small core sample, its name, and what the rules find. */
export function ZoneTile({ zone, menu }: { zone: ZoneView; menu: MenuItem[] }) {
  return (
    <div className="flex w-full items-center rounded sm:w-56 border border-line bg-raised">
      <Link to={`/zone/${zone.id}`} className="flex min-w-0 flex-1 items-center gap-2.5 p-1.5 hover:bg-tint">
        <MiniCore strata={zone.sample} />
        <span className="min-w-0 flex-1">
          <span className="block truncate text-sm font-semibold" title={zone.settings.name}>
            {zone.settings.name}
          </span>
          <span className="flex items-center gap-2 text-xs text-soft">
            {zone.sample.length > 1
              ? `${zone.sample.length - 1} ${zone.sample.length === 2 ? "coat" : "coats"}`
              : zone.current && "bare"}
            {!zone.current && <span>working it out…</span>}
            {zone.current && <FoundCounts found={zone.findings} bare />}
          </span>
        </span>
      </Link>
      <Menu label={`More for ${zone.settings.name}`} icon={<Ellipsis size={16} aria-hidden />} items={menu} />
    </div>
  );
}
