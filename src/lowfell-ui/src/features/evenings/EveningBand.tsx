import { type ReactNode, useEffect, useRef, useState } from "react";
import { lotKey } from "../../api/step";
import type { PlannedEvening, PlannedStep } from "../../api/types";
import { ranges } from "../../craft/ranges";
import { clock, day, dryAt, minutesBetween } from "./when";

interface Props {
  evening: PlannedEvening;
  current: string | undefined;
  onOpen: (step: PlannedStep) => void;
}

/** One evening: hands-on work as blocks, drying as thin lines that run on into the night. */
export function EveningBand({ evening, current, onOpen }: Props) {
  const [band, width] = useWidth();
  const leastWords = (100 * wordsPx) / width;
  const leastTarget = (100 * targetPx) / width;
  const whole = minutesBetween(evening.openAt, evening.closeAt);
  const at = (utc: string) => (minutesBetween(evening.openAt, utc) / whole) * 100;
  // Copies painted one after the other by parts belong side by side; what wants the night is told at its end.
  const night = [...evening.steps]
    .filter((s) => s.dryAt > evening.closeAt)
    .sort((a, b) => (a.dryAt < b.dryAt ? 1 : -1));
  const narrow = evening.steps.filter((s) => Math.max(0.6, at(s.endAt) - at(s.startAt)) <= leastWords);
  return (
    <div className="grid grid-cols-[4.5rem_minmax(0,1fr)] sm:grid-cols-[5.8rem_minmax(0,1fr)_8.5rem] items-stretch gap-2 px-3 py-1">
      <div className="text-sm leading-tight">
        <strong className="block">{day(evening.day)}</strong>
        <span className="text-xs text-soft">
          {clock(evening.openAt)}–{clock(evening.closeAt)}
        </span>
      </div>
      <ol ref={band} aria-label={`Steps of ${day(evening.day)}`} className="relative h-12 rounded bg-raised">
        {evening.steps.map((s) => {
          const left = at(s.startAt);
          const width = Math.max(0.6, at(s.endAt) - left);
          const id = lotKey(s);
          return (
            <li key={id}>
              {s.setUpMin > 0 && (
                <span
                  aria-hidden
                  className="absolute top-0 h-8 border-l border-strong"
                  style={{ left: `${left - (s.setUpMin / whole) * 100}%`, width: `${(s.setUpMin / whole) * 100}%` }}
                />
              )}
              <Block
                title={`${clock(s.startAt)} ${s.what} ${s.paint ?? ""}, ${s.piece}, ${s.zone}`}
                label={`${clock(s.startAt)}, ${s.what}, ${s.piece} ${ranges(s.copies)}: ${s.paint ? `${s.paint} on ` : ""}${s.zone}`}
                current={id === current}
                left={left}
                width={width}
                small={width < leastTarget}
                onOpen={() => onOpen(s)}
              >
                <span className="truncate px-1 text-[11px] leading-4">
                  {width > leastWords ? `${s.what}, ${s.piece} ${ranges(s.copies)}` : ""}
                </span>
                <span className="flex h-2.5 w-full">
                  {s.after.map((colour, i) => (
                    <span key={i} className="h-full flex-1" style={{ background: colour }} />
                  ))}
                </span>
              </Block>
              <span
                aria-hidden
                className={`absolute h-px bg-strong ${s.dryAt > evening.closeAt ? "" : "border-r-4 border-strong"}`}
                style={{
                  left: `${at(s.endAt)}%`,
                  width: `${Math.max(0, Math.min(100, at(s.dryAt)) - at(s.endAt))}%`,
                  top: `${35 + (evening.steps.indexOf(s) % 4) * 3}px`,
                }}
              />
              {s.nextBy && (
                <span
                  aria-hidden
                  title="its window"
                  className="absolute top-8 h-1.5 rounded-sm bg-accent"
                  style={{
                    left: `${at(s.nextFrom)}%`,
                    width: `${Math.max(0.4, Math.min(100, at(s.nextBy)) - at(s.nextFrom))}%`,
                  }}
                />
              )}
            </li>
          );
        })}
      </ol>
      <p
        className="self-center text-xs leading-tight text-soft max-sm:col-start-2"
        title={night.map((s) => `${s.paint} ${dryAt(s.dryAt, evening)}`).join(", ")}
      >
        {night.length > 0 ? (
          <>
            <span className="block truncate text-ink">{night[0]!.paint}</span>
            {night.length > 1 ? `and ${night.length - 1} more ` : ""}dry {dryAt(night[0]!.dryAt, evening)}
          </>
        ) : (
          "all dry by the end"
        )}
      </p>
      {narrow.length > 0 && (
        <p className="col-span-full -mt-1 text-xs text-soft" data-testid="narrow">
          {narrow.map((s, i) => (
            <span key={lotKey(s)}>
              {i > 0 && "; "}
              <button type="button" className="min-h-6 text-left hover:underline" onClick={() => onOpen(s)}>
                {clock(s.startAt)} {s.what} {s.paint}, {s.piece}, {s.zone} {ranges(s.copies)}
              </button>
            </span>
          ))}
        </p>
      )}
    </div>
  );
}

interface BlockProps {
  title: string;
  label: string;
  current: boolean;
  left: number;
  width: number;
  /** Too small to be hit. */
  small: boolean;
  onOpen: () => void;
  children: ReactNode;
}

/** Room that words need; a step that has less is told under the band. */
const wordsPx = 44;
/** Room that a finger or pointer needs. */
const targetPx = 26;

/** How wide something is on the screen. */
function useWidth() {
  const [width, setWidth] = useState(640);
  const at = useRef<HTMLOListElement>(null);
  useEffect(() => {
    if (!at.current) return;
    const watch = new ResizeObserver(([e]) => setWidth(Math.max(100, e!.contentRect.width)));
    watch.observe(at.current);
    return () => watch.disconnect();
  }, []);
  return [at, width] as const;
}

function Block({ title, label, current, left, width, small, onOpen, children }: BlockProps) {
  const look = `absolute top-0 flex h-8 flex-col justify-between overflow-hidden rounded-sm border text-left ${current ? "border-2 border-accent" : "border-line"} bg-tint`;
  const place = { left: `${left}%`, width: `${width}%` };
  return small ? (
    <span title={title} className={look} style={place}>
      <span className="sr-only">{label}</span>
      {children}
    </span>
  ) : (
    <button
      type="button"
      aria-current={current}
      aria-label={label}
      title={title}
      onClick={onOpen}
      className={`${look} hover:border-accent`}
      style={place}
    >
      {children}
    </button>
  );
}
