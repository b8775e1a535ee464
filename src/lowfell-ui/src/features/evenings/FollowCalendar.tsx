import { queries } from "../../api/queries";
import { changed } from "../../api/changes";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import { Button, notify, Popover, TextInput } from "../../ui";

/** The plan for a calendar program: a file to take along, or an address that it follows. */
export function FollowCalendar({ sets }: { sets: string[] }) {
  const [open, setOpen] = useState(false);
  const feed = useQuery(queries.feed(open));
  const change = useMutation({
    mutationFn: async (make: boolean) => {
      const of = { params: { query: { version: feed.data!.version } } };
      if (make) return (await ask(api.POST("/api/plan/feed", of))).path;
      await ask(api.DELETE("/api/plan/feed", of));
    },
    onSuccess: () => changed("feed"),
    onError: (error) => {
      notify(wording(error));
      void changed("feed");
    },
  });
  // Told once, as it is made: what is kept of it opens nothing.
  const address = feed.data?.exists && change.data ? `${location.origin}${change.data}` : undefined;
  return (
    <Popover open={open} onOpenChange={setOpen} trigger={<Button>To my calendar</Button>}>
      <div className="flex flex-col gap-2 text-sm">
        <a
          className="underline"
          href={`/api/plan/evenings.ics${sets.length > 0 ? `?${sets.map((id) => `sets=${id}`).join("&")}` : ""}`}
        >
          A file of the evenings (iCalendar)
        </a>
        {feed.data?.exists ? (
          <>
            {address ? (
              <>
                <label className="text-xs font-semibold text-soft" htmlFor="feed-address">
                  Address for a calendar program on this machine; whoever has it sees your evenings
                </label>
                <TextInput id="feed-address" readOnly value={address} onFocus={(e) => e.target.select()} />
                <p className="text-xs text-soft">Copy it now: it is shown only as it is made.</p>
              </>
            ) : (
              <p className="text-soft">
                A calendar follows your plan. Its address was shown as it was made; a new one ends the old.
              </p>
            )}
            <div className="flex gap-2">
              <Button disabled={change.isPending} onClick={() => change.mutate(true)}>
                A new address
              </Button>
              <Button disabled={change.isPending} onClick={() => change.mutate(false)}>
                End it
              </Button>
            </div>
          </>
        ) : (
          <Button disabled={change.isPending || !feed.data} onClick={() => change.mutate(true)}>
            Make an address to follow
          </Button>
        )}
      </div>
    </Popover>
  );
}
