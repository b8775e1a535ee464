import type { Learned as Figure, Plan } from "../../api/types";
import { number } from "../../api/words";
import { Toggle } from "../../ui";

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
        <p key={l.of} className="flex gap-2 border-t border-line py-1">
          <span className="min-w-0 flex-1 truncate" title={l.of}>
            {l.of}
          </span>
          <strong>{number(l.factor, 2)} ×</strong>
          <span className="whitespace-nowrap text-soft">
            {number(l.low, 1)}–{number(l.high, 1)}, {l.readings} readings
          </span>
        </p>
      ))}
    </>
  );
}
