import { type ReactNode, useState } from "react";
import { pictureOf, pictureOfStep } from "../api/lookQueries";
import type { PlannedStep } from "../api/types";

interface Size {
  /** Points across and down. */
  w: number;
  h: number;
  /** What stands there until the picture has come, and where none does. */
  meanwhile: ReactNode;
  alt?: string;
  className?: string;
}

/** A small picture of a piece, drawn by the host when it is first seen; never an empty box. */
export function PiecePicture({ pieceId, mark, ...size }: Size & { pieceId: string; mark: string }) {
  return <Drawn src={pictureOf(pieceId, { w: 2 * size.w, h: 2 * size.h, v: mark })} {...size} />;
}

/** The piece of a step, before or after it, its zone standing out. */
export function StepPicture({ step, before, ...size }: Size & { step: PlannedStep; before?: boolean }) {
  if (!step.coatId) return size.meanwhile;
  const src = pictureOfStep(step.zoneId, {
    w: 2 * size.w,
    h: 2 * size.h,
    coatId: step.coatId,
    before: before || undefined,
    copy: step.copies[0],
    v: markOf([step.sample, step.after]),
  });
  return <Drawn src={src} {...size} />;
}

function Drawn({ src, w, h, meanwhile, alt = "", className = "" }: Size & { src: string }) {
  const [come, setCome] = useState<string>();
  const [failed, setFailed] = useState<string>();
  return (
    <span
      className={`relative inline-flex shrink-0 items-center justify-center ${className}`}
      style={{ width: w, height: h }}
    >
      {come === undefined && meanwhile}
      {failed !== src && (
        <img
          src={src}
          alt={alt}
          width={w}
          height={h}
          loading="lazy"
          decoding="async"
          className={`absolute inset-0 size-full object-contain ${come === undefined ? "opacity-0" : ""}`}
          onLoad={() => setCome(src)}
          onError={() => setFailed(src)}
        />
      )}
    </span>
  );
}

/** A mark of what something looks like: another look, another mark. */
export function markOf(looks: unknown): string {
  let hash = 5381;
  for (const c of JSON.stringify(looks) ?? "") hash = ((hash << 5) + hash + c.charCodeAt(0)) | 0;
  return (hash >>> 0).toString(36);
}
