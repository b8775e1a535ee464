import type { BegunZone } from "../api/types";
import { ThreeHeights } from "./ThreeHeights";

type Look = BegunZone["look"];

/** What is written above what it would come to from this shelf: the nearer, the less of a seam shows. */
export function LookPair({ written, look }: { written: Look; look: Look }) {
  return (
    <span className="block w-full rounded bg-swatch p-1.5">
      <ThreeHeights of={written} className="h-5 rounded-b-none" />
      <ThreeHeights of={look} className="h-9 rounded-t-none" />
    </span>
  );
}
