import { useEffect, useRef, useState } from "react";
import type { PieceLook } from "../../api/types";
import { firstView, type SharedView, type View } from "./SharedView";
import { LookRenderer, type Shown } from "./LookRenderer";

const sharpAfterMs = 160;
/** And later where sharp is slow: who turns it step by step is not to wait at each. */
const patientMs = 600;
/** A picture that took no longer is drawn again, finer. */
const quickMs = 80;
/** A picture in motion that took longer is drawn of fewer points the next time, down to a quarter of them each way. */
const slowMs = 120;
const leastPart = 0.25;
const turnStep = 10;
const nearStep = 1.15;

interface Props {
  look: PieceLook;
  glb: ArrayBuffer;
  shown: Shown;
  /** Where it is looked at from; what stands beside it is turned with it. */
  views: SharedView;
  label: string;
  onScale?: (pxPerMm: number) => void;
  /** The browser draws no surfaces. */
  onFail: () => void;
}

/** Tests of pixels ask here. */
export interface LookProbe {
  renderer: LookRenderer;
  look: () => PieceLook;
  draw: (view: View, shown: Shown, width: number, height: number) => void;
}

/** The piece, turned by mouse, touch and keys; drawn only when something changed. */
export default function LookStage({ look, glb, shown, views, label, onScale, onFail }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const renderer = useRef<LookRenderer>(undefined);
  const asked = useRef(0);
  const later = useRef<ReturnType<typeof setTimeout>>(undefined);
  const inMotion = useRef(0.5);
  const sharpTook = useRef(0);
  const latest = useRef(shown);
  latest.current = shown;
  const told = useRef(onScale);
  told.current = onScale;
  const of = useRef(look);
  of.current = look;
  const [ready, setReady] = useState(false);
  const paint = (moving: boolean) => {
    cancelAnimationFrame(asked.current);
    asked.current = requestAnimationFrame(() => {
      const at = canvas.current;
      if (!at || !renderer.current) return;
      const ratio = Math.min(2, window.devicePixelRatio || 1);
      // While it moves half as many points each way do, fewer where that is slow; at rest twice as many, where that is quick.
      const part = moving ? ratio * inMotion.current : ratio;
      const [width, height] = [at.clientWidth, at.clientHeight].map((px) => Math.max(1, Math.round(px * part)));
      renderer.current.size(width!, height!, 1);
      const scale = renderer.current.draw(views.now, latest.current) / part;
      if (moving) {
        const took = renderer.current.wait();
        if (took > slowMs) inMotion.current = Math.max(leastPart, inMotion.current * 0.8);
        else if (took < slowMs / 3) inMotion.current = Math.min(0.5, inMotion.current * 1.15);
      }
      if (!moving) sharpTook.current = renderer.current.wait();
      if (!moving && latest.current.distanceMm === 0 && sharpTook.current < quickMs) {
        renderer.current.size(width!, height!, 2);
        renderer.current.draw(views.now, latest.current);
      }
      told.current?.(scale);
    });
    clearTimeout(later.current);
    if (moving)
      later.current = setTimeout(() => paint(false), sharpTook.current > 4 * quickMs ? patientMs : sharpAfterMs);
  };
  const draw = useRef(paint);
  draw.current = paint;
  useEffect(() => {
    const at = canvas.current!;
    try {
      renderer.current = new LookRenderer(at);
    } catch {
      onFail();
      return;
    }
    const lost = (e: Event) => {
      e.preventDefault();
      onFail();
    };
    at.addEventListener("webglcontextlost", lost);
    const watch = new ResizeObserver(() => draw.current(false));
    watch.observe(at);
    const probe: LookProbe = {
      renderer: renderer.current,
      look: () => of.current,
      draw: (v, s, width, height) => {
        renderer.current!.size(width, height, 1);
        renderer.current!.draw(v, s);
      },
    };
    (window as unknown as { lowfellLook?: LookProbe }).lowfellLook = probe;
    setReady(true);
    return () => {
      cancelAnimationFrame(asked.current);
      clearTimeout(later.current);
      at.removeEventListener("webglcontextlost", lost);
      watch.disconnect();
      renderer.current?.end();
      renderer.current = undefined;
    };
    // Made once; what fails is told by whoever shows it.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  useEffect(() => {
    if (!ready) return;
    renderer.current?.load(glb);
    draw.current(false);
  }, [ready, glb]);
  useEffect(() => {
    if (!ready) return;
    renderer.current?.dye(look);
    draw.current(false);
  }, [ready, look]);
  useEffect(() => draw.current(true), [shown]);
  useEffect(() => views.follow(() => draw.current(true)), [views]);
  const move = (part: Partial<View>) => {
    const next = { ...views.now, ...part };
    views.to({
      turnDeg: next.turnDeg,
      liftDeg: Math.max(-10, Math.min(88, next.liftDeg)),
      near: Math.max(0.4, Math.min(12, next.near)),
    });
  };
  const fingers = useRef(new Map<number, { x: number; y: number }>());
  return (
    <canvas
      ref={canvas}
      tabIndex={0}
      role="img"
      aria-label={`${label}. Arrows turn it, plus and minus go nearer and farther, 0 goes back.`}
      className="size-full cursor-grab touch-none outline-offset-2"
      data-testid="look"
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture?.(e.pointerId);
        fingers.current.set(e.pointerId, { x: e.clientX, y: e.clientY });
      }}
      onPointerMove={(e) => {
        const before = fingers.current.get(e.pointerId);
        if (!before) return;
        const apart = () => {
          const [a, b] = [...fingers.current.values()];
          return a && b ? Math.hypot(a.x - b.x, a.y - b.y) : 0;
        };
        const was = apart();
        fingers.current.set(e.pointerId, { x: e.clientX, y: e.clientY });
        if (was > 0) move({ near: (views.now.near * apart()) / was });
        else
          move({
            turnDeg: views.now.turnDeg - (e.clientX - before.x) * 0.5,
            liftDeg: views.now.liftDeg + (e.clientY - before.y) * 0.4,
          });
      }}
      onPointerUp={(e) => fingers.current.delete(e.pointerId)}
      onPointerCancel={(e) => fingers.current.delete(e.pointerId)}
      onWheel={(e) => move({ near: views.now.near * Math.exp(-e.deltaY / 600) })}
      onKeyDown={(e) => {
        const keys: Record<string, Partial<View>> = {
          ArrowLeft: { turnDeg: views.now.turnDeg - turnStep },
          ArrowRight: { turnDeg: views.now.turnDeg + turnStep },
          ArrowUp: { liftDeg: views.now.liftDeg + turnStep / 2 },
          ArrowDown: { liftDeg: views.now.liftDeg - turnStep / 2 },
          "+": { near: views.now.near * nearStep },
          "=": { near: views.now.near * nearStep },
          "-": { near: views.now.near / nearStep },
          "0": firstView,
        };
        const to = keys[e.key];
        if (!to || e.ctrlKey || e.metaKey || e.altKey) return;
        e.preventDefault();
        move(to);
      }}
    />
  );
}
