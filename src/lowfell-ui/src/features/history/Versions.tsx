import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { Coat, ZonePage } from "../../api/types";
import { dateAndTime } from "../../api/units";
import { restoreCoats } from "../../craft/restoreCoats";
import { Compare } from "../../craft/Compare";
import { Button, notify } from "../../ui";

/** What a scheme was before: seen, laid beside what it is now, and gone back to. */
export function Versions({ zoneId }: { zoneId: string }) {
  const page = useQuery(queries.zone(zoneId));
  const schemeId = page.data?.scheme.id ?? "";
  const versions = useQuery({ ...queries.versions(schemeId), enabled: schemeId !== "" });
  const [open, setOpen] = useState<string>();
  if (page.isError || versions.isError)
    return (
      <p role="alert" className="p-4 text-sm text-stop">
        {wording(page.error ?? versions.error)}
      </p>
    );
  if (!page.data || !versions.data) return <p className="border-t border-line p-4 text-sm text-soft">Looking…</p>;
  if (versions.data.length === 0)
    return (
      <p className="border-t border-line p-4 text-sm text-soft">
        These coats have not been changed yet. Whenever you come back to change them, what stood before stays here.
      </p>
    );
  const zone = page.data;
  const chosen = versions.data.find((v) => v.id === open) ?? versions.data[0]!;
  return (
    <div className="border-t border-line text-sm">
      <ul className="max-h-56 overflow-y-auto">
        {versions.data.map((v) => (
          <li key={v.id}>
            <button
              type="button"
              aria-current={v.id === chosen.id}
              onClick={() => setOpen(v.id)}
              className={`flex min-h-8 w-full items-center gap-3 border-b border-line px-4 py-1 text-left ${v.id === chosen.id ? "bg-tint" : "hover:bg-raised"}`}
            >
              <span className="flex-1">
                {v.from != null && `since ${dateAndTime(v.from)}, `}until {dateAndTime(v.until)}
              </span>
              <span className="text-soft">
                {v.coats.length} {v.coats.length === 1 ? "coat" : "coats"}, {differences(v.coats, zone.scheme.coats)}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <div className="p-3">
        <Compare
          zone={zone}
          left={{ label: "As it was", coats: chosen.coats }}
          right={{ label: "As it is now", coats: zone.scheme.coats }}
        />
        <div className="mt-3 flex items-center gap-3">
          <Button look="main" onClick={() => void goBack(zone, chosen.coats)}>
            Go back to this
          </Button>
          <span className="text-soft">
            {zone.scheme.uses.length > 1 && `It is the scheme of ${zone.scheme.uses.length} zones. `}What stands now is
            kept.
          </span>
        </div>
      </div>
    </div>
  );
}

/** How many coats differ, in words. */
export function differences(before: Coat[], now: Coat[]): string {
  const same = (a: Coat, b: Coat | undefined) => b !== undefined && JSON.stringify(a) === JSON.stringify(b);
  const kept = new Map(now.map((c) => [c.id, c]));
  const changes =
    before.filter((c) => !same(c, kept.get(c.id))).length +
    now.filter((c) => !before.some((b) => b.id === c.id)).length;
  return changes === 0 ? "as now" : `${changes} unlike now`;
}

async function goBack(zone: ZonePage, coats: Coat[]) {
  const before = zone.scheme.coats;
  try {
    await ask(
      api.PUT("/api/schemes/{id}/stack", {
        params: { path: { id: zone.scheme.id } },
        body: { version: zone.scheme.version, coats },
      }),
    );
    await changed("stack");
    notify("The coats are what they were.", () => void restoreCoats(zone.id, before));
  } catch (error) {
    notify(wording(error));
  }
}
