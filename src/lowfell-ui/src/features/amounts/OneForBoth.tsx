import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { Fewer } from "../../api/types";
import { duration, number } from "../../api/words";
import { restoreCoats } from "../../craft/restoreCoats";
import { Button, Chip, Dialog, notify } from "../../ui";

/** Pairs of paints of a set whose finished zones no one would tell apart. */
export function OneForBoth({ setId }: { setId: string }) {
  const found = useQuery(queries.fewer(setId));
  const [busy, setBusy] = useState(false);
  const [open, setOpen] = useState(false);
  if (!found.data || (found.data.length === 0 && !open)) return null;
  async function take(pair: Fewer) {
    setBusy(true);
    try {
      const before = await ask(
        api.POST("/api/sets/{id}/fewer", {
          params: { path: { id: setId } },
          body: { keepId: pair.keepId, dropId: pair.dropId, schemes: pair.schemes },
        }),
      );
      notify(`${pair.keep} is planned for both.`, () => void putBack(before));
      await changed("stack");
    } catch (error) {
      notify(wording(error));
      await changed("stack");
    }
    setBusy(false);
  }
  const pairs = found.data;
  return (
    <>
      <Button look="quiet" className="px-1 underline" onClick={() => setOpen(true)}>
        {pairs.length === 1 ? "One paint could do for two" : `${pairs.length} paints could do for two each`}
      </Button>
      <Dialog
        open={open}
        wide
        title="One for both"
        description="Paints of this set that nobody would tell apart once its zones are finished."
        onClose={() => setOpen(false)}
      >
        <ul data-testid="one-for-both" className="text-sm">
          {pairs.map((p) => (
            <li
              key={`${p.keepId} ${p.dropId}`}
              className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-2"
            >
              <Chip colour={[p.keepColour, p.dropColour]} className="h-9 w-16 shrink-0" />
              <span className="min-w-56 flex-1">
                <strong className="font-semibold">{p.keep}</strong> for {p.drop} too: {saved(p)}
                <span className="block text-soft">
                  Finished zones stay {p.words} ({number(p.deltaE)} dE at most, in {p.where}).
                  {p.elsewhere > 0 && ` ${p.elsewhere} of the ${p.zones} zones are of other sets.`}
                </span>
              </span>
              <Button disabled={busy || found.isFetching} onClick={() => void take(p)}>
                Take it
              </Button>
            </li>
          ))}
        </ul>
      </Dialog>
    </>
  );
}

function saved({ setUps, minutes }: Fewer) {
  const less = [
    setUps > 0 && (setUps === 1 ? "one set-up" : `${setUps} set-ups`),
    minutes > 0 && duration(minutes),
  ].filter(Boolean);
  return less.length > 0 ? `${less.join(", ")} less.` : "one bottle less on the table.";
}

async function putBack(before: { zoneId: string; coats: Parameters<typeof restoreCoats>[1] }[]) {
  try {
    for (const scheme of before) await restoreCoats(scheme.zoneId, scheme.coats);
  } catch (error) {
    notify(wording(error));
  }
}
