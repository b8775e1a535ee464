import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { newId } from "../../api/newId";
import { queries } from "../../api/queries";
import type { PieceSight } from "../../api/types";
import { number, sightKindWord } from "../../api/words";
import { Button, Failed, notify } from "../../ui";

interface Props {
  pieceId: string;
  metres: number;
  room: PieceSight["room"];
  eyes: PieceSight["eyes"];
}

/** The painter's own trial: the piece in the middle of the table, what is seen of it ticked; from ten on the verdicts follow. */
export function Trial({ pieceId, metres, room, eyes }: Props) {
  const trial = useQuery(queries.sightTrial(pieceId, metres, room, eyes, true));
  // Pressed again after an answer that never came, it is the same look.
  const [id, setId] = useState(newId);
  const [seen, setSeen] = useState<Record<string, boolean>>({});
  const write = useMutation({
    mutationFn: (
      ticks: { zoneId: string; coatId?: string | null; kind: PieceSight["rows"][number]["kind"]; seen: boolean }[],
    ) =>
      ask(
        api.POST("/api/pieces/{id}/sight/trial", {
          params: { path: { id: pieceId } },
          body: { id, metres, room, eyes, ticks },
        }),
      ),
    onSuccess: async () => {
      setId(newId());
      setSeen({});
      await changed("trial");
    },
    onError: (error) => notify(wording(error)),
  });
  const forget = useMutation({
    mutationFn: () => ask(api.DELETE("/api/sight/trial")),
    onSuccess: () => changed("trial"),
    onError: (error) => notify(wording(error)),
  });
  if (trial.error) return <Failed why={wording(trial.error)} onAgain={() => void trial.refetch()} />;
  const { data } = trial;
  if (!data) return null;
  const key = (d: (typeof data.details)[number]) => `${d.zoneId} ${d.coatId ?? ""} ${d.kind}`;
  const told = data.details.filter((d) => seen[key(d)] !== undefined);
  return (
    <section aria-label="Your own eyes" className="rounded-lg border border-line bg-panel p-3 text-sm">
      <p>
        Put the finished piece {number(metres, 1)} m away, and look as you would in a game. Which of these do you see
        without searching?
      </p>
      <ul className="mt-2 grid grid-cols-1 gap-x-6 gap-y-1 lg:grid-cols-2" data-testid="trial">
        {data.details.map((d) => (
          <li key={key(d)} className="flex items-center gap-2">
            <span className="min-w-0 flex-1">
              {d.what}{" "}
              <span className="text-soft">
                on {d.zone}
                {d.coatId && `, ${sightKindWord[d.kind]}`}
              </span>
            </span>
            {([true, false] as const).map((yes) => (
              <button
                key={String(yes)}
                type="button"
                aria-pressed={seen[key(d)] === yes}
                aria-label={`${yes ? "Seen" : "Not seen"}: ${d.what} on ${d.zone}`}
                onClick={() => setSeen({ ...seen, [key(d)]: yes })}
                className="min-h-7 rounded border border-strong px-2 aria-pressed:border-accent aria-pressed:bg-accent aria-pressed:text-on-accent"
              >
                {yes ? "Seen" : "Not seen"}
              </button>
            ))}
          </li>
        ))}
      </ul>
      <p className="mt-2 flex flex-wrap items-center gap-3">
        <Button
          look="main"
          disabled={told.length === 0 || write.isPending}
          onClick={() =>
            write.mutate(told.map((d) => ({ zoneId: d.zoneId, coatId: d.coatId, kind: d.kind, seen: seen[key(d)]! })))
          }
        >
          Keep what I saw
        </Button>
        <span data-testid="trial-says" role="status">
          {data.ticks < data.leastTicks
            ? `${data.ticks} of ${data.leastTicks} looks that it takes.`
            : `By ${data.ticks} looks you notice ${number(data.factor, 2)} times as much as usual; what is told here follows that.`}
        </span>
        {data.ticks > 0 && (
          <Button look="quiet" disabled={forget.isPending} onClick={() => forget.mutate()}>
            Forget them
          </Button>
        )}
      </p>
    </section>
  );
}
