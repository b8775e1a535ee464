import { useMutation } from "@tanstack/react-query";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import type { Learned as Figure, Plan } from "../../api/types";
import { number } from "../../api/words";
import { Button, notify, Toggle } from "../../ui";

interface Props {
  learned: Plan["learned"];
  follows: boolean;
  /** Left out where a held plan stands as it was made. */
  onFollow?: (follows: boolean) => void;
}

/** What the log says of the painter's own figures: from three readings on, with their spread; the plan follows it or not. */
export function Learned({ learned, follows, onFollow }: Props) {
  const nothing = [learned.minutes, learned.setUps, learned.drying].every((l) => l.length === 0);
  return (
    <section aria-label="Your pace" className="rounded-lg border border-line bg-panel p-3 text-sm">
      <h2 className="mb-1 font-semibold">Your pace</h2>
      {nothing ? (
        <p className="text-soft">
          Nothing is known yet. Press Start on the bench card, and “It is dry” beside its timers: from three readings
          on, the plan follows your own minutes.
        </p>
      ) : (
        <>
          <Figures title="Minutes at work" figures={learned.minutes} />
          <Figures title="Setting up" figures={learned.setUps} />
          <Figures title="Drying" figures={learned.drying} />
          {onFollow && <Toggle label="The plan follows it" checked={follows} onChange={onFollow} />}
        </>
      )}
    </section>
  );
}

function Figures({ title, figures }: { title: string; figures: Figure[] }) {
  if (figures.length === 0) return null;
  return (
    <>
      <h3 className="mt-1 text-xs font-semibold text-soft">{title}</h3>
      {figures.map((l) => (
        <FigureLine key={l.key} figure={l} />
      ))}
    </>
  );
}

/** One figure; where it is far from what was planned the painter is asked before the plan follows. */
function FigureLine({ figure: l }: { figure: Figure }) {
  const answer = useMutation({
    mutationFn: (follow: boolean | null) =>
      ask(api.PUT("/api/plan/learned", { body: { key: l.key, follow, was: l.said } })),
    onSuccess: () => changed("plan"),
    onError: (error) => {
      notify(wording(error));
      void changed("plan");
    },
  });
  return (
    <div className="border-t border-line py-1">
      <p className="flex gap-2">
        <span className="min-w-0 flex-1 truncate" title={l.of}>
          {l.of}
        </span>
        <strong className={l.follows ? "" : "font-normal text-soft line-through"}>{number(l.factor, 2)} ×</strong>
        <span className="whitespace-nowrap text-soft">
          {number(l.low, 1)}–{number(l.high, 1)}, {l.readings} readings
        </span>
        {!l.asks && (
          <button
            type="button"
            className="min-h-6 px-1 text-xs underline"
            disabled={answer.isPending}
            onClick={() => answer.mutate(!l.follows)}
          >
            {l.follows ? "not this" : "follow"}
            <span className="sr-only">: {l.of}</span>
          </button>
        )}
      </p>
      {l.asks && (
        <div role="group" aria-label={`${l.of}: follow it?`} className="flex flex-wrap items-center gap-2 pb-1">
          <span className="flex-1 text-risk">So far from the plan: is that right?</span>
          <Button disabled={answer.isPending} onClick={() => answer.mutate(true)}>
            Follow it
          </Button>
          <Button look="quiet" disabled={answer.isPending} onClick={() => answer.mutate(false)}>
            No
          </Button>
        </div>
      )}
    </div>
  );
}
