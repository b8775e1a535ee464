import { type KeyboardEvent, useState } from "react";
import type { Reference } from "../../api/types";
import { moved, type Spot } from "./referenceEdits";

interface Props {
  of: Reference;
  /** What the next press picks, in words. */
  picking: string;
  busy: boolean;
  onPick: (spot: Spot) => void;
}

const steps: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const step = 0.01;
const stride = 5;

/** The picture with its spots; a press picks, as do arrow keys and Enter. */
export function PickPicture({ of, picking, busy, onPick }: Props) {
  const [aim, setAim] = useState<Spot>();
  const key = (e: KeyboardEvent) => {
    const way = steps[e.key];
    if (way) {
      e.preventDefault();
      const far = step * (e.shiftKey ? stride : 1);
      setAim(moved(aim ?? { x: 0.5, y: 0.5 }, way[0] * far, way[1] * far));
    } else if (e.key === "Enter" && aim && !busy) {
      e.preventDefault();
      onPick(aim);
    }
  };
  const marks = [
    ...of.picks.map((p) => ({ ...p, letter: p.height[0]!.toUpperCase(), title: `${p.piece}, ${p.zone}: ${p.height}` })),
    ...(of.grey ? [{ ...of.grey, colour: of.grey.is, letter: "?", title: "known grey" }] : []),
  ];
  return (
    <div
      role="application"
      tabIndex={0}
      aria-label={`${of.name}. Picks ${picking}: arrow keys aim, Enter picks.`}
      data-testid="pick-picture"
      onKeyDown={key}
      onBlur={() => setAim(undefined)}
      onClick={(e) => {
        const box = e.currentTarget.getBoundingClientRect();
        if (!busy) onPick({ x: (e.clientX - box.left) / box.width, y: (e.clientY - box.top) / box.height });
      }}
      className={`relative w-full overflow-hidden rounded bg-swatch ${busy ? "cursor-progress" : "cursor-crosshair"}`}
      style={{ aspectRatio: `${of.width} / ${of.height}` }}
    >
      <img src={`/api/photos/${of.photoId}`} alt={of.name} className="absolute inset-0 size-full" draggable={false} />
      {marks.map((m, i) => (
        <span
          key={i}
          title={m.title}
          className="pointer-events-none absolute grid size-6 -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full border-2 border-panel text-xs font-semibold shadow"
          style={{ left: `${m.x * 100}%`, top: `${m.y * 100}%`, background: m.colour }}
        >
          <span className="rounded-full bg-panel px-1 text-ink">{m.letter}</span>
        </span>
      ))}
      {aim && (
        <span
          className="pointer-events-none absolute size-8 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-ink outline-2 outline-panel"
          style={{ left: `${aim.x * 100}%`, top: `${aim.y * 100}%` }}
        />
      )}
    </div>
  );
}
