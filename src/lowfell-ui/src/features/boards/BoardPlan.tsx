import { useEffect, useRef, useState } from "react";
import type { BoardView } from "../../api/types";
import { own } from "../../ui";
import { frameOf, halfOf, snapped, type Standing, turned } from "./place";
import type { BoardHands } from "./useBoard";

interface Props {
  view: BoardView;
  hands: BoardHands;
  chosen: string | undefined;
  onChoose: (id: string | undefined) => void;
}

const gridMm = 50;
const labelPx = 11;
const ways: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** The table from above: copies are dragged against each other, turned, taken off. */
export function BoardPlan({ view, hands, chosen, onChoose }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [box, setBox] = useState({ width: 920, height: 350 });
  useEffect(() => {
    const seen = new ResizeObserver(([entry]) => {
      if (entry && entry.contentRect.width > 0) setBox(entry.contentRect);
    });
    if (svg.current) seen.observe(svg.current);
    return () => seen.disconnect();
  }, []);
  const [held, setHeld] = useState<{ copy: Standing; off: { x: number; y: number }; frame: Frame }>();
  const { pieces } = view;
  const board = held
    ? { ...hands.board, copies: hands.board.copies.map((c) => (c.id === held.copy.id ? held.copy : c)) }
    : hands.board;
  // The table does not move under the hand.
  const frame = held?.frame ?? frameOf(board, pieces);
  const where = (e: React.PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    const scale = Math.max(frame.width / box.width, frame.height / box.height);
    return {
      x: frame.x + frame.width / 2 + (e.clientX - box.left - box.width / 2) * scale,
      y: frame.y + frame.height / 2 - (e.clientY - box.top - box.height / 2) * scale,
    };
  };
  const place = (copy: Standing, at: Partial<Standing>) =>
    void hands.keep((now) => ({ ...now, copies: now.copies.map((c) => (c.id === copy.id ? { ...c, ...at } : c)) }));
  const letGo = () => {
    if (!held) return;
    const kept = hands.board.copies.find((c) => c.id === held.copy.id);
    if (kept && (kept.xMm !== held.copy.xMm || kept.yMm !== held.copy.yMm))
      place(held.copy, { xMm: held.copy.xMm, yMm: held.copy.yMm });
    setHeld(undefined);
  };
  const nudge = (e: React.KeyboardEvent, copy: Standing) => {
    const way = ways[e.key];
    if (way) {
      const by = e.shiftKey ? 1 : 5;
      place(copy, { xMm: copy.xMm + way[0] * by, yMm: copy.yMm + way[1] * by });
    } else if (e.key === "r") place(copy, { turn: turned(copy).turn });
    else if (e.key === "Delete" || e.key === "Backspace") {
      void hands.keep((now) => ({ ...now, copies: now.copies.filter((c) => c.id !== copy.id) }));
      onChoose(undefined);
    } else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const perPx = Math.max(frame.width / box.width, frame.height / box.height);
  const nameOf = (copy: Standing) => {
    const piece = pieces.find((p) => p.id === copy.pieceId);
    return piece ? (piece.copies > 1 ? `${piece.name} ${copy.copy}` : piece.name) : "";
  };
  const lines = (from: number, size: number) =>
    Array.from({ length: Math.ceil(size / gridMm) + 1 }, (_, i) => (Math.ceil(from / gridMm) + i) * gridMm);
  return (
    <svg
      ref={svg}
      role="group"
      aria-label="The table from above"
      data-testid="board"
      className="h-64 w-full lg:h-[21rem] touch-none rounded-lg border border-line bg-ground"
      viewBox={`${frame.x} ${-frame.y - frame.height} ${frame.width} ${frame.height}`}
      onPointerDown={() => onChoose(undefined)}
      onPointerMove={(e) => {
        if (!held) return;
        const at = where(e);
        const to = snapped(hands.board, pieces, held.copy, { x: at.x - held.off.x, y: at.y - held.off.y });
        setHeld({ ...held, copy: { ...held.copy, ...to } });
      }}
      onPointerUp={letGo}
      onPointerCancel={() => setHeld(undefined)}
    >
      <g className="stroke-line" strokeWidth={frame.width / 1600}>
        {/* Beyond the frame as well: the picture is seldom of its shape. */}
        {lines(frame.x - frame.width, 3 * frame.width).map((x) => (
          <line key={`x${x}`} x1={x} x2={x} y1={-frame.y - 3 * frame.height} y2={-frame.y + 2 * frame.height} />
        ))}
        {lines(frame.y - 2 * frame.height, 5 * frame.height).map((y) => (
          <line key={`y${y}`} x1={frame.x - frame.width} x2={frame.x + 2 * frame.width} y1={-y} y2={-y} />
        ))}
      </g>
      {board.copies.map((copy) => {
        const half = halfOf(board, pieces, copy);
        const piece = pieces.find((p) => p.id === copy.pieceId);
        const isChosen = chosen === copy.id;
        const [fx, fy] = (
          [
            [0, 1],
            [1, 0],
            [0, -1],
            [-1, 0],
          ] as const
        )[copy.turn]!;
        const size = labelPx * perPx;
        const upright = half.y > half.x * 1.6;
        return (
          <g
            key={copy.id}
            role="button"
            tabIndex={0}
            aria-label={`${nameOf(copy)}${standsOf(copy)}`}
            aria-pressed={isChosen}
            className="cursor-grab outline-none [&:focus-visible>rect]:stroke-accent"
            onPointerDown={(e) => {
              e.stopPropagation();
              svg.current?.setPointerCapture?.(e.pointerId);
              const at = where(e);
              onChoose(copy.id);
              setHeld({ copy, off: { x: at.x - copy.xMm, y: at.y - copy.yMm }, frame });
            }}
            onFocus={() => onChoose(copy.id)}
            onKeyDown={(e) => nudge(e, copy)}
          >
            <rect
              x={copy.xMm - half.x}
              y={-copy.yMm - half.y}
              width={2 * half.x}
              height={2 * half.y}
              fill={piece?.colour ?? "var(--color-raised)"}
              className={isChosen ? "stroke-accent" : "stroke-strong"}
              strokeWidth={(isChosen ? 3 : 1.2) * (frame.width / 900)}
            />
            {/* The front, as one stands before it. */}
            <line
              x1={copy.xMm + fx * half.x - fy * half.x * 0.3}
              y1={-copy.yMm + fy * half.y + fx * half.y * 0.3}
              x2={copy.xMm + fx * half.x + fy * half.x * 0.3}
              y2={-copy.yMm + fy * half.y - fx * half.y * 0.3}
              className="stroke-ink"
              strokeWidth={frame.width / 300}
            />
            <text
              aria-hidden
              x={copy.xMm + (upright ? half.x + size * 0.9 : 0)}
              y={-copy.yMm + (upright ? 0 : half.y + size * 1.1)}
              fontSize={size}
              textAnchor="middle"
              transform={upright ? `rotate(90 ${copy.xMm + half.x + size * 0.5} ${-copy.yMm})` : undefined}
              className="pointer-events-none fill-ink select-none"
            >
              {Math.max(half.x, half.y) * 2 > nameOf(copy).length * size * 0.7 ? nameOf(copy) : copy.copy}
              {standsOf(copy)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

type Frame = ReturnType<typeof frameOf>;

/** How a copy stands, where it does not stand flat on the table. */
const standsOf = (copy: Standing) =>
  `${copy.onMm === 0 ? "" : ` +${own("mm").text(copy.onMm)}`}${copy.tiltDeg === 0 ? "" : ` ${copy.tiltDeg}°`}`;
