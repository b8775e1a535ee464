import { useEffect } from "react";
import type { StepId } from "../../api/step";
import { useNow } from "./useNow";

export interface Timer {
  id: string;
  label: string;
  dryAt: number;
  rung?: boolean;
  /** The step and the copies, so that "it is dry" can be written down. */
  key?: string;
  step?: StepId;
  copies?: number[];
}

const lateMs = 60_000;

interface Props {
  timers: Timer[];
  onRung: (ids: string[]) => void;
  onPutAway: (timer: Timer) => void;
  onDry: (timer: Timer) => void;
}

/** What lies drying, with the moment at which it is dry; it rings softly once. */
export function Timers({ timers, onRung, onPutAway, onDry }: Props) {
  const now = useNow(1_000);
  useEffect(() => {
    const fresh = timers.filter((t) => !t.rung && t.dryAt <= now);
    if (fresh.length === 0) return;
    // What was dry before the card was opened is told, but does not ring.
    if (fresh.some((t) => now - t.dryAt < lateMs)) ring();
    onRung(fresh.map((t) => t.id));
  }, [now, timers, onRung]);
  if (timers.length === 0) return null;
  return (
    <section aria-label="Drying" className="rounded-lg border border-line bg-panel p-4" data-testid="timers">
      <h2 className="mb-1 font-semibold text-soft">Drying</h2>
      {[...timers]
        .sort((a, b) => a.dryAt - b.dryAt)
        .map((t) => (
          <p key={t.id} className="flex items-center gap-3 py-1">
            <span className="min-w-0 flex-1 truncate">{t.label}</span>
            {t.dryAt <= now ? (
              <>
                <strong>ready</strong>
                <button
                  type="button"
                  className="min-h-14 rounded-lg border border-line px-4"
                  onClick={() => onPutAway(t)}
                >
                  Hide it
                </button>
              </>
            ) : (
              <span role="timer">{left(t.dryAt - now)}</span>
            )}
            {t.copies && t.step && (
              <button
                type="button"
                aria-label={`It is dry: ${t.label}`}
                className="min-h-14 rounded-lg border border-line px-4 whitespace-nowrap"
                onClick={() => onDry(t)}
              >
                It is dry
              </button>
            )}
          </p>
        ))}
    </section>
  );
}

function left(ms: number): string {
  const minutes = Math.ceil(ms / 60_000);
  return minutes >= 60 ? `${Math.floor(minutes / 60)} h ${minutes % 60} min` : `${minutes} min`;
}

/** Two soft tones; silent where the browser does not let a page sound before it was touched. */
function ring() {
  try {
    const audio = new AudioContext();
    for (const [at, pitch] of [
      [0, 523],
      [0.35, 659],
    ] as const) {
      const tone = audio.createOscillator();
      const loudness = audio.createGain();
      tone.frequency.value = pitch;
      loudness.gain.setValueAtTime(0.08, audio.currentTime + at);
      loudness.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + at + 0.6);
      tone.connect(loudness).connect(audio.destination);
      tone.start(audio.currentTime + at);
      tone.stop(audio.currentTime + at + 0.7);
    }
  } catch {
    // No sound here; the word "ready" stands on the card.
  }
}
