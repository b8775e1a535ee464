import { Ellipsis } from "lucide-react";
import { Link } from "react-router";
import type { Severity, ZoneView } from "../../api/types";
import { Menu, SeverityMark } from "../../ui";
import type { MenuItem } from "../../ui/Menu";
import { MiniCore } from "./MiniCore";

const severities: Severity[] = ["stop", "risk", "note"];

/** A zone: its small core sample, its name, and what the rules find. */
export function ZoneTile({ zone, menu }: { zone: ZoneView; menu: MenuItem[] }) {
  const found = severities.filter((s) => zone.findings[s] > 0);
  return (
    <div className="flex w-56 items-center rounded border border-line bg-raised">
      <Link
        to={`/stack/${zone.id}`}
        className="flex min-w-0 flex-1 items-center gap-2.5 p-1.5 hover:bg-tint"
        aria-label={`${zone.settings.name}, open the stack`}
      >
        <MiniCore strata={zone.sample} />
        <span className="min-w-0 flex-1">
          <span className="block truncate text-sm font-semibold" title={zone.settings.name}>
            {zone.settings.name}
          </span>
          <span className="flex items-center gap-2 text-xs text-soft">
            {zone.sample.length <= 1
              ? "bare"
              : `${zone.sample.length - 1} ${zone.sample.length === 2 ? "coat" : "coats"}`}
            {found.map((s) => (
              <span key={s} className="inline-flex items-center gap-0.5">
                <SeverityMark severity={s} size={12} />
                {zone.findings[s]}
              </span>
            ))}
          </span>
        </span>
      </Link>
      <Menu label={`More for ${zone.settings.name}`} icon={<Ellipsis size={16} aria-hidden />} items={menu} />
    </div>
  );
}
