import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { queries } from "../../api/queries";
import type { WeatheringView } from "../../api/types";
import { length } from "../../api/units";
import { markKindWord, markSideWord } from "../../api/words";
import { Button } from "../../ui";
import { heldWith, layout, type Mark, runs, spot } from "./faces";
import type { WeatheringHands } from "./useWeathering";

interface Props {
  view: WeatheringView;
  hands: WeatheringHands;
  chosen: string | undefined;
  onChoose: (id: string | undefined) => void;
}

const ways: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** The sides of a copy from outside, with its marks: each can be moved, or dropped. */
export function Faces({ view, hands, chosen, onChoose }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<{ entryId: string; n: number; mark: Mark; off: { x: number; y: number } }>();
  const [trueSize, setTrueSize] = useState(false);
  const { answer } = view;
  const map = layout(view, trueSize);
  // Numbers are read at whatever size the map is shown.
  const small = map.letterMm;
  const kindOf = (id: string) => hands.plan.entries.find((e) => e.id === id)?.kind;
  const colourOf = (id: string) => answer.entries.find((e) => e.id === id)?.colour ?? "#777";
  const where = (e: React.PointerEvent) => {
    const to = svg.current!.getScreenCTM()!.inverse();
    return new DOMPoint(e.clientX, e.clientY).matrixTransform(to);
  };
  // Pressed again and again it is one change; let go by the hand it is one by itself.
  const put = (entryId: string, n: number, mark: Mark | undefined, what = "") => {
    const all = answer.marks.find((m) => m.entryId === entryId)!.marks;
    const marks = all.flatMap((m, i) => (i !== n ? [m] : mark ? [mark] : []));
    void hands.keep((plan) => heldWith(plan, entryId, answer.copy, marks), what);
  };
  const letGo = () => {
    if (!held) return;
    const was = answer.marks.find((m) => m.entryId === held.entryId)?.marks[held.n];
    if (was && (was.xMm !== held.mark.xMm || was.yMm !== held.mark.yMm)) put(held.entryId, held.n, held.mark);
    setHeld(undefined);
  };
  const key = (e: React.KeyboardEvent, entryId: string, n: number, mark: Mark) => {
    const way = ways[e.key];
    if (way) {
      const by = e.shiftKey ? 0.5 : 2;
      put(
        entryId,
        n,
        spot(view, { ...mark, xMm: mark.xMm + way[0] * by, yMm: mark.yMm + way[1] * by }),
        `${entryId} ${n} moved`,
      );
    } else if (e.key === "Delete" || e.key === "Backspace") put(entryId, n, undefined);
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const shelf = useQuery({ ...queries.materials(), enabled: answer.pattern.length > 0 });
  const toneColour = (tone: number) =>
    shelf.data?.find((m) => m.id === hands.plan.pattern?.tones[tone]?.materialId)?.material.colour ?? "#666";
  const anyHeld = answer.marks.some((m) => m.held);
  return (
    <section aria-label="Faces" className="rounded-lg border border-line bg-panel p-3">
      <div className="flex flex-wrap items-center gap-2 text-sm">
        <h2 className="font-semibold">Where they lie</h2>
        <p className="min-w-0 flex-1 text-soft">
          The sides from outside, the foot below{view.rectangle && "; it is taken for a box"}. Drag a mark, or move it
          with the arrow keys; Delete drops it.
        </p>
        {view.copies > 1 && !anyHeld && answer.marks.some((m) => m.first > 0) && (
          <Button
            title="Drawing again or another number then leaves this copy as it is"
            onClick={() =>
              void hands.keep((plan) =>
                answer.marks
                  .filter((m) => m.shape !== "band")
                  .reduce((to, m) => heldWith(to, m.entryId, answer.copy, m.marks), plan),
              )
            }
          >
            Lock this copy
          </Button>
        )}
        {anyHeld && (
          <Button
            onClick={() =>
              void hands.keep((plan) => ({
                ...plan,
                entries: plan.entries.map((e) => ({
                  ...e,
                  held: (e.held ?? []).filter((h) => h.copy !== answer.copy),
                })),
              }))
            }
          >
            Draw this copy again
          </Button>
        )}
        <Button aria-pressed={trueSize} onClick={() => setTrueSize(!trueSize)}>
          True size
        </Button>
      </div>
      <div className="mt-2 overflow-x-auto">
        <svg
          ref={svg}
          role="group"
          aria-label={`Marks on copy ${answer.copy}`}
          data-testid="faces"
          viewBox={`0 0 ${map.width} ${map.height}`}
          className={trueSize ? "block" : "block max-h-[26rem] w-full"}
          style={trueSize ? { width: `${map.width}mm`, height: `${map.height}mm` } : undefined}
          onPointerMove={(e) => {
            if (!held) return;
            const at = where(e);
            setHeld({
              ...held,
              mark: spot(view, { ...held.mark, xMm: at.x - held.off.x, yMm: held.off.y - at.y }),
            });
          }}
          onPointerUp={letGo}
          onPointerCancel={() => setHeld(undefined)}
        >
          {map.faces.map((face) => (
            <g key={face.side} transform={`translate(${face.x} ${face.y})`}>
              <rect width={face.across} height={face.up} className="fill-swatch stroke-strong" strokeWidth={0.25} />
              {view.zones
                .flatMap((z) => z.parts.filter((p) => p.side === face.side).map((p) => ({ ...p, zone: z })))
                .map((p) => (
                  <rect
                    key={p.zone.id}
                    x={p.fromX}
                    y={face.up - p.toY}
                    width={p.toX - p.fromX}
                    height={p.toY - p.fromY}
                    fill={p.zone.colour ?? "none"}
                    stroke="#0003"
                    strokeWidth={0.15}
                  />
                ))}
              {answer.pattern
                .filter((p) => p.side === face.side)
                .flatMap((p) =>
                  p.rows.flatMap((row, r) =>
                    runs(row).map((run) => (
                      <rect
                        key={`${r} ${run.from}`}
                        x={run.from * p.stepMm}
                        y={Math.max(0, face.up - (r + 1) * p.stepMm)}
                        width={Math.min(run.cells * p.stepMm, face.across - run.from * p.stepMm)}
                        height={Math.min(p.stepMm + 0.05, face.up - r * p.stepMm)}
                        fill={toneColour(run.tone)}
                      />
                    )),
                  ),
                )}
              {(hands.plan.letters ?? [])
                .filter((l) => l.side === face.side)
                .map((l) => {
                  const said = answer.letters.find((x) => x.id === l.id);
                  return (
                    said && (
                      <text
                        key={l.id}
                        x={l.xMm}
                        y={face.up - l.yMm}
                        fontSize={l.tallMm / 0.7}
                        fontWeight={700}
                        textAnchor="middle"
                        textLength={said.widthMm}
                        lengthAdjust="spacingAndGlyphs"
                        fill="#e8e4d6"
                        stroke="#222"
                        strokeWidth={0.12}
                      >
                        {said.text}
                      </text>
                    )
                  );
                })}
              {face.side === "front" &&
                view.parts.map((p) => (
                  <rect
                    key={p.name}
                    x={p.fromMm}
                    y={face.up - p.aboveMm - p.heightMm}
                    width={p.toMm - p.fromMm}
                    height={p.heightMm}
                    fill="none"
                    stroke="black"
                    strokeWidth={0.3}
                    strokeDasharray="1 1"
                  />
                ))}
              {face.side !== "top" &&
                answer.lines.map((l) => {
                  const [a, b] = {
                    front: [l.leftMm, l.rightMm],
                    back: [l.rightMm, l.leftMm],
                    right: [l.rightMm, l.rightMm],
                    left: [l.leftMm, l.leftMm],
                  }[face.side as "front"]!;
                  return (
                    <line
                      key={l.name}
                      x1={0}
                      x2={face.across}
                      y1={face.up - a!}
                      y2={face.up - b!}
                      stroke="black"
                      strokeWidth={0.25}
                      strokeDasharray="2 1"
                    />
                  );
                })}
              {answer.marks.flatMap((m) =>
                m.marks.map((own, n) => {
                  const mark = held && held.entryId === m.entryId && held.n === n ? held.mark : own;
                  if (mark.side !== face.side) return null;
                  const kind = kindOf(m.entryId);
                  const faint = chosen !== undefined && chosen !== m.entryId;
                  const single = m.first > 0;
                  const name =
                    kind &&
                    `${markKindWord[kind]} ${m.first + n}, ${markSideWord[mark.side]}, ${length(mark.xMm)} from the left, ${length(mark.yMm)} up`;
                  const shape = <MarkShape mark={mark} shape={m.shape} up={face.up} colour={colourOf(m.entryId)} />;
                  return single ? (
                    <g
                      key={`${m.entryId} ${n}`}
                      role="button"
                      tabIndex={0}
                      aria-label={name}
                      opacity={faint ? 0.25 : 1}
                      className="cursor-move outline-none focus-visible:[&>circle]:stroke-[0.5]"
                      onPointerDown={(e) => {
                        const at = where(e);
                        svg.current!.setPointerCapture?.(e.pointerId);
                        onChoose(m.entryId);
                        setHeld({
                          entryId: m.entryId,
                          n,
                          mark: own,
                          off: { x: at.x - own.xMm, y: at.y + own.yMm },
                        });
                      }}
                      onKeyDown={(e) => key(e, m.entryId, n, own)}
                    >
                      <circle
                        cx={mark.xMm}
                        cy={face.up - mark.yMm}
                        r={2.2}
                        fill="transparent"
                        stroke="black"
                        strokeWidth={0}
                      />
                      {shape}
                      <text x={mark.xMm + 1} y={Math.max(small, face.up - mark.yMm - 0.6)} fontSize={small} aria-hidden>
                        {m.first + n}
                      </text>
                    </g>
                  ) : (
                    <g key={`${m.entryId} ${n}`} opacity={faint ? 0.15 : m.shape === "band" ? 0.55 : 0.9} aria-hidden>
                      {shape}
                    </g>
                  );
                }),
              )}
              <text y={face.up + map.nameMm * 1.2} fontSize={map.nameMm} className="fill-current">
                {markSideWord[face.side]}
              </text>
            </g>
          ))}
        </svg>
      </div>
      {answer.lines.length > 0 && (
        <p className="mt-1 text-xs text-soft" data-testid="face-lines">
          Lines of the board on this copy, left and right above its foot:{" "}
          {answer.lines.map((l) => `${l.name} ${length(l.leftMm)}, ${length(l.rightMm)}`).join("; ")}
        </p>
      )}
    </section>
  );
}

interface ShapeProps {
  mark: Mark;
  shape: WeatheringView["answer"]["marks"][number]["shape"];
  up: number;
  colour: string;
}

function MarkShape({ mark, shape, up, colour }: ShapeProps) {
  const y = up - mark.yMm;
  const turn = mark.angleDeg ? `rotate(${-mark.angleDeg} ${mark.xMm} ${y})` : undefined;
  if (shape === "streak")
    return (
      <path
        d={`M${mark.xMm - mark.widthMm / 2} ${y}h${mark.widthMm}L${mark.xMm + mark.widthMm / 4} ${y + mark.lengthMm}h${-mark.widthMm / 2}z`}
        fill={colour}
      />
    );
  if (shape === "chip" || shape === "dot")
    return <ellipse cx={mark.xMm} cy={y} rx={mark.widthMm / 2} ry={mark.lengthMm / 2} transform={turn} fill={colour} />;
  return (
    <rect
      x={mark.xMm - mark.widthMm / 2}
      y={y - mark.lengthMm / 2}
      width={mark.widthMm}
      height={mark.lengthMm}
      transform={turn}
      fill={colour}
    />
  );
}
