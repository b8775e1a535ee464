import { length } from "../../api/units";
import { useEffect, useRef, useState } from "react";
import { api, ask } from "../../api/client";
import type { BaseElement, OpenGround, Tray, TrayBase } from "../../api/types";
import { number } from "../../api/words";
import { BasePicture } from "./BasePicture";
import { inTheWay, type Place, slide } from "./slide";
import type { TrayHands } from "./useTray";

const stepMm = 0.5;
const turnDeg = 5;
const round = (mm: number) => Math.round(mm * 100) / 100;
const points = (outline: { x: number; y: number }[]) => outline.map((v) => `${v.x},${-v.y}`).join(" ");

interface Held {
  element: number;
  at: Place;
  /** From the pointer to the middle of the element. */
  off: Place;
  ground?: OpenGround;
  blocked?: string;
}

interface Props {
  tray: Tray;
  base: TrayBase;
  hands: TrayHands;
  size: number;
  heights: boolean;
  chosen: number | undefined;
  onChoose: (element: number | undefined) => void;
  onHeights: () => void;
  /** Something is dragged over the base; nothing is any more. */
  onHeld?: (element: number, at: Place) => void;
  onLet?: () => void;
}

/** One base, large: elements are dragged, turned, locked and taken off by hand; what is forbidden is hatched and slid along. */
export function BaseStage({ tray, base, hands, size, heights, chosen, onChoose, onHeights, onHeld, onLet }: Props) {
  const { form } = base.kept;
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<Held>();
  const holding = useRef<Held>(undefined);
  holding.current = held;
  const width = form.lengthMm >= form.widthMm ? size : Math.round((size * form.lengthMm) / form.widthMm);
  const stays = base.laid || base.kept.locked;
  const element = chosen === undefined ? undefined : base.elements[chosen];
  // What was dropped stays where it was dropped until the host has answered.
  const [dropped, setDropped] = useState<{ element: number; at: Place; picture: string }>();
  useEffect(() => setDropped(undefined), [base.picture]);
  const where = (e: React.PointerEvent): Place => {
    const box = svg.current!.getBoundingClientRect();
    return {
      x: ((e.clientX - box.left) / box.width - 0.5) * form.lengthMm,
      y: (0.5 - (e.clientY - box.top) / box.height) * form.widthMm,
    };
  };
  const groundOf = (place: number, angleDeg: number) =>
    ask(
      api.POST("/api/trays/{id}/ground", {
        params: { path: { id: tray.id } },
        body: { copy: base.copy, element: place, angleDeg },
      }),
    );
  async function take(e: React.PointerEvent, place: number) {
    onChoose(place);
    const standing = base.elements[place]!.element;
    if (stays || standing.locked || e.button !== 0) return;
    const at = where(e);
    svg.current?.setPointerCapture?.(e.pointerId);
    setHeld({
      element: place,
      at: { x: standing.x, y: standing.y },
      off: { x: standing.x - at.x, y: standing.y - at.y },
    });
    const ground = await groundOf(place, standing.angleDeg).catch(() => undefined);
    setHeld((now) => (now?.element === place && ground ? { ...now, ground } : now));
  }
  function pull(e: React.PointerEvent) {
    const now = holding.current;
    if (!now) return;
    const at = where(e);
    const wanted = { x: at.x + now.off.x, y: at.y + now.off.y };
    const there = now.ground ? (slide(now.ground, wanted) ?? now.at) : wanted;
    setHeld({ ...now, at: there, blocked: now.ground && inTheWay(now.ground, wanted) });
    onHeld?.(now.element, there);
  }
  function drop() {
    const now = holding.current;
    setHeld(undefined);
    if (!now) return;
    const { element: before } = base.elements[now.element]!;
    if (Math.hypot(now.at.x - before.x, now.at.y - before.y) < 0.05) {
      onLet?.();
      return;
    }
    setDropped({ element: now.element, at: now.at, picture: base.picture });
    void hands.element(base.copy, now.element, { x: round(now.at.x), y: round(now.at.y) }).then((done) => {
      if (done) return;
      setDropped(undefined);
      onLet?.();
    });
  }
  async function nudge(dx: number, dy: number) {
    if (chosen === undefined || !element || stays || element.element.locked) return;
    const ground = await groundOf(chosen, element.element.angleDeg);
    const wanted = { x: element.element.x + dx, y: element.element.y + dy };
    const there = slide(ground, wanted);
    // Along what is in the way, never back over where it came from.
    if (there && (there.x - element.element.x) * dx + (there.y - element.element.y) * dy > 0)
      await hands.element(base.copy, chosen, { x: round(there.x), y: round(there.y) });
  }
  const change = (part: Partial<BaseElement>) => chosen !== undefined && void hands.element(base.copy, chosen, part);
  function key(e: React.KeyboardEvent) {
    if (e.ctrlKey || e.metaKey || e.altKey) {
      if ((e.ctrlKey || e.metaKey) && e.key === "z") {
        e.preventDefault();
        void hands.undo();
      }
      return;
    }
    const free = element && !stays && !element.element.locked;
    const keys: Record<string, () => void> = {
      ArrowLeft: () => void nudge(-stepMm, 0),
      ArrowRight: () => void nudge(stepMm, 0),
      ArrowUp: () => void nudge(0, stepMm),
      ArrowDown: () => void nudge(0, -stepMm),
      "[": () => free && change({ angleDeg: (element.element.angleDeg + turnDeg) % 360 }),
      "]": () => free && change({ angleDeg: (element.element.angleDeg - turnDeg + 360) % 360 }),
      l: () => element && !stays && change({ locked: !element.element.locked }),
      x: () => free && removeElement(hands, base.copy, chosen!, () => onChoose(undefined)),
      n: () => onChoose(base.elements.length === 0 ? undefined : ((chosen ?? -1) + 1) % base.elements.length),
      r: () => void hands.rollAnew({ copies: [base.copy] }),
      z: () => void hands.undo(),
      f: onHeights,
    };
    const act = keys[e.key];
    if (!act) return;
    e.preventDefault();
    e.stopPropagation();
    act();
  }
  const placeOf = (i: number): Place => {
    const own = base.elements[i]!.element;
    if (held?.element === i) return held.at;
    return dropped?.element === i && dropped.picture === base.picture ? dropped.at : own;
  };
  return (
    <div className="relative w-full" style={{ maxWidth: width, aspectRatio: `${form.lengthMm} / ${form.widthMm}` }}>
      <BasePicture trayId={tray.id} base={base} width={width} fills />
      <svg
        ref={svg}
        tabIndex={0}
        role="application"
        aria-label={`Base ${base.copy}, ${base.word}: n goes through what stands on it, arrows move it, [ and ] turn it, l locks, x takes it off, r rolls the rest, z undoes, f shows heights`}
        viewBox={`${-form.lengthMm / 2} ${-form.widthMm / 2} ${form.lengthMm} ${form.widthMm}`}
        className="absolute inset-0 size-full touch-none outline-offset-4"
        onKeyDown={key}
        onPointerMove={pull}
        onPointerUp={drop}
        onPointerCancel={() => {
          setHeld(undefined);
          onLet?.();
        }}
      >
        <title>{`Base ${base.copy}`}</title>
        <defs>
          <clipPath id="face">
            {form.shape === "rectangle" ? (
              <rect x={-form.lengthMm / 2} y={-form.widthMm / 2} width={form.lengthMm} height={form.widthMm} />
            ) : (
              <ellipse rx={form.lengthMm / 2} ry={form.widthMm / 2} />
            )}
          </clipPath>
          <pattern id="hatched" width="1.1" height="1.1" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0v1.1" stroke="#fff" strokeWidth="0.22" strokeOpacity="0.6" />
          </pattern>
        </defs>
        {base.landings.map((l) => (
          <polygon
            key={l.name}
            points={points(l.outline)}
            fill="none"
            stroke="#fff"
            strokeOpacity="0.75"
            strokeWidth="0.22"
          >
            <title>{`${l.name}, ${length(l.mm)} above the base`}</title>
          </polygon>
        ))}
        {heights &&
          base.free.map((f) => (
            <polygon
              key={f.name}
              points={points(f.outline)}
              fill="none"
              stroke="#fff"
              strokeOpacity="0.6"
              strokeWidth="0.16"
              strokeDasharray="0.8 0.6"
            >
              <title>{`Under the ${f.name} there are ${length(f.mm)}`}</title>
            </polygon>
          ))}
        {held?.ground && <Forbidden ground={held.ground} />}
        {base.elements.map(({ element: e, outline, fault }, i) => {
          const at = placeOf(i);
          const moved = at.x !== e.x || at.y !== e.y;
          return (
            <g
              key={`${e.boxId} ${e.seed} ${i}`}
              transform={moved ? `translate(${at.x - e.x} ${e.y - at.y})` : undefined}
            >
              <polygon
                points={points(outline)}
                data-element={i}
                fill={moved ? "#ffffff" : "transparent"}
                fillOpacity={moved ? 0.55 : 1}
                stroke={i === chosen ? "#ffd54a" : fault ? "#ff6b57" : e.locked ? "#ffffff" : "transparent"}
                strokeWidth={i === chosen ? 0.4 : 0.3}
                strokeDasharray={fault ? "0.9 0.5" : undefined}
                className={e.locked || stays ? "" : "cursor-grab"}
                onPointerDown={(event) => void take(event, i)}
              >
                <title>{`${i + 1} ${e.name}${e.insteadOf ? ` instead of ${e.insteadOf}` : ""}, ${length(e.heightMm)} tall${e.locked ? ", locked" : ""}${fault ? `. ${fault}` : ""}`}</title>
              </polygon>
              {heights && (
                <text
                  x={e.x}
                  y={-e.y + 0.6}
                  fontSize="1.9"
                  textAnchor="middle"
                  fill="#fff"
                  stroke="#000"
                  strokeWidth="0.3"
                  paintOrder="stroke"
                  pointerEvents="none"
                >
                  {number(base.elements[i]!.standsAtMm + e.heightMm, 1)}
                </text>
              )}
            </g>
          );
        })}
        <path d={`M0 ${form.widthMm / 2 - 0.3}l-1 -1.4h2z`} fill="#fff" fillOpacity="0.8">
          <title>The front</title>
        </path>
      </svg>
      <p aria-live="polite" className="absolute -bottom-5 left-0 w-full text-center text-xs text-risk">
        {held?.blocked && held.ground?.reasons[held.blocked]}
      </p>
    </div>
  );
}

function Forbidden({ ground }: { ground: OpenGround }) {
  const bars: string[] = [];
  for (let row = 0; row < ground.rows; row++) {
    let from = -1;
    for (let column = 0; column <= ground.columns; column++) {
      const open = column === ground.columns || ground.cells[row * ground.columns + column] === ".";
      if (!open && from < 0) from = column;
      if (open && from >= 0) {
        const x = ground.fromX + (from - 0.5) * ground.stepMm;
        const y = -(ground.fromY + (row + 0.5) * ground.stepMm);
        bars.push(
          `M${x} ${y}h${(column - from) * ground.stepMm}v${ground.stepMm}h${-(column - from) * ground.stepMm}z`,
        );
        from = -1;
      }
    }
  }
  return <path d={bars.join("")} fill="url(#hatched)" clipPath="url(#face)" pointerEvents="none" />;
}

/** Takes an element off a base; it goes back to its box. */
export function removeElement(hands: TrayHands, copy: number, place: number, then: () => void) {
  then();
  void hands.change(copy, (kept) => ({ ...kept, elements: kept.elements.filter((_, i) => i !== place) }));
}
