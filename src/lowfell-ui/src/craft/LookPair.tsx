import type { BegunZone } from "../api/types";

type Look = BegunZone["look"];

/** Recess, face and edge of a look. */
export function LookBar({ look, className = "h-6" }: { look: Look; className?: string }) {
  return (
    <span aria-hidden className={`grid grid-cols-[2fr_3fr_2fr] overflow-hidden rounded-sm ${className}`}>
      {[look.recess, look.face, look.edge].map((colour, i) => (
        <span key={i} style={{ background: colour }} />
      ))}
    </span>
  );
}

/** What is written above what it would come to from this shelf: the nearer, the less of a seam shows. */
export function LookPair({ written, look }: { written: Look; look: Look }) {
  return (
    <span className="block w-full rounded bg-swatch p-1.5">
      <LookBar look={written} className="h-5 rounded-b-none" />
      <LookBar look={look} className="h-9 rounded-t-none" />
    </span>
  );
}
