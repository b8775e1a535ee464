import { type ReactNode, useState } from "react";
import { pictureOf, pictureOfStep } from "../api/lookQueries";
import type { LogEntry, PlannedStep } from "../api/types";
import { useMade } from "./useMade";

interface Size {
  /** Points across and down. */
  w: number;
  h: number;
  /** What stands there until the picture has come, and where none does. */
  meanwhile: ReactNode;
  alt?: string;
  className?: string;
  /** Fetched though it is not in sight yet: for paper. */
  eager?: boolean;
}

/** A piece as it is seen from so far, m; sharp where none is given. */
export function PiecePictureFrom({
  pieceId,
  mark,
  fromM,
  ...size
}: Size & { pieceId: string; mark: string; fromM?: number }) {
  return <Drawn src={pictureOf(pieceId, { w: 2 * size.w, h: 2 * size.h, fromM, v: mark })} {...size} />;
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
    // A mend is shown on the coat that it comes after.
    coatId: step.looksAs ?? step.coatId,
    before: (before && step.looksAs === step.coatId) || undefined,
    copy: step.copies[0],
    v: markOf([step.sample, step.after]),
  });
  return <Drawn src={src} {...size} />;
}

/** The piece of an entry of the log as the plan has it after that coat: beside its photograph. */
export function LoggedPicture({ entry, ...size }: Size & { entry: LogEntry }) {
  const src = pictureOfStep(entry.zoneId, {
    w: 2 * size.w,
    h: 2 * size.h,
    coatId: entry.coatId ?? undefined,
    copy: entry.copy,
  });
  return <Drawn src={src} {...size} />;
}

/** Waits until the pictures of what goes to paper have come; a few seconds at most. */
export async function picturesCame(within: ParentNode): Promise<void> {
  const lookMs = 60;
  for (let looks = 0; looks < 130; looks++) {
    if ([...within.querySelectorAll("img")].every((i) => i.complete && !i.dataset.waits)) return;
    await new Promise((go) => setTimeout(go, lookMs));
  }
}

function Drawn({ src, w, h, meanwhile, alt = "", className = "", eager }: Size & { src: string }) {
  const [come, setCome] = useState<string>();
  const { failed, image } = useMade(src);
  const { key, ...of } = image;
  return (
    <span
      className={`relative inline-flex shrink-0 items-center justify-center ${className}`}
      style={{ width: w, height: h }}
    >
      {(come === undefined || failed) && meanwhile}
      {!failed && (
        <img
          key={key}
          {...of}
          alt={alt}
          width={w}
          height={h}
          loading={eager ? "eager" : "lazy"}
          decoding="async"
          className={`absolute inset-0 size-full object-contain ${come === undefined ? "opacity-0" : ""}`}
          onLoad={() => setCome(src)}
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
