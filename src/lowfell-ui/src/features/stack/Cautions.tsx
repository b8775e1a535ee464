import { ShieldAlert } from "lucide-react";
import type { Stratum } from "../../api/types";

/** Shown where the step is planned; never hidden by a preference. */
export function Cautions({ cautions, note }: { cautions: NonNullable<Stratum["cautions"]>; note: string }) {
  return (
    <div className="rounded border border-strong bg-raised p-3 text-sm" data-testid="cautions">
      <p className="mb-1 flex items-center gap-1.5 font-semibold">
        <ShieldAlert size={16} aria-hidden /> Take care
      </p>
      {cautions.map((c) => (
        <p key={c.hazard} className="mb-1">
          {c.text}
        </p>
      ))}
      <p className="text-xs text-soft">{note}</p>
    </div>
  );
}
