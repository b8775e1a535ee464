import { bounds } from "../../api/bounds";
import type { ZoneName } from "../../api/types";
import { NumberInput } from "../../ui";

interface Props {
  pieces: ZoneName[];
  tried: Record<string, number>;
  onTry: (pieceId: string, copies: number) => void;
}

/** What another number of copies would take; the plan stays as it is. */
export function CopiesTrial({ pieces, tried, onTry }: Props) {
  if (pieces.length === 0) return null;
  return (
    <section aria-label="Copies" className="rounded-lg border border-line bg-panel p-3 print:hidden">
      <h2 className="font-semibold">What if there were more copies?</h2>
      <p className="mb-2 text-sm text-soft">Try a number; nothing is kept.</p>
      <div className="grid grid-cols-1 gap-x-6 sm:grid-cols-2 gap-y-1">
        {pieces.map((p) => (
          <label key={p.pieceId} className="flex items-center gap-2 text-sm">
            <span className="min-w-0 flex-1 truncate" title={p.piece}>
              {p.piece}
            </span>
            <NumberInput
              label={`Copies of ${p.piece}`}
              className="w-16"
              value={tried[p.pieceId] ?? p.copies}
              bound={bounds.CopiesTrial.copies}
              onChange={(v) => onTry(p.pieceId, Math.round(v))}
            />
          </label>
        ))}
      </div>
    </section>
  );
}
