import type { Plan } from "../../api/types";
import { number, techniqueWord } from "../../api/words";
import { Toggle } from "../../ui";

interface Props {
  learned: Plan["learned"];
  follows: boolean;
  onFollow: (follows: boolean) => void;
}

/** What the log says of the minutes: from three readings on, with their spread; the plan follows it or not. */
export function Learned({ learned, follows, onFollow }: Props) {
  return (
    <section aria-label="Your pace" className="rounded-lg border border-line bg-panel p-3 text-sm">
      <h2 className="mb-1 font-semibold">Your pace</h2>
      {learned.length === 0 ? (
        <p className="text-soft">
          Nothing is known yet. Press Start on the bench card: from three readings of a technique on, the plan follows
          your own minutes.
        </p>
      ) : (
        <>
          {learned.map((l) => (
            <p key={l.technique} className="flex gap-2 border-t border-line py-1">
              <span className="flex-1">{techniqueWord[l.technique]}</span>
              <strong>{number(l.factor, 2)} ×</strong>
              <span className="text-soft">
                {number(l.low, 1)}–{number(l.high, 1)}, {l.readings} readings
              </span>
            </p>
          ))}
          <Toggle label="The plan follows it" checked={follows} onChange={onFollow} />
        </>
      )}
    </section>
  );
}
