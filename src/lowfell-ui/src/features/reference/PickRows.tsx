import { X } from "lucide-react";
import { bounds } from "../../api/bounds";
import type { Pick, Reference } from "../../api/types";
import { number } from "../../api/words";
import { Chip, IconButton, TextInput } from "../../ui";
import { heights } from "./referenceEdits";

interface Props {
  of: Reference;
  busy: boolean;
  onPurpose: (pick: Pick, why: string) => void;
  onRemove: (pick: Pick) => void;
}

/** What was picked, beside what the zones would look like, and why they depart where they do on purpose. */
export function PickRows({ of, busy, onPurpose, onRemove }: Props) {
  const sorted = of.picks.toSorted(
    (a, b) =>
      a.piece.localeCompare(b.piece) ||
      a.zone.localeCompare(b.zone) ||
      heights.indexOf(a.height) - heights.indexOf(b.height),
  );
  if (sorted.length === 0)
    return (
      <p className="text-sm text-soft">
        Press on the picture where the zone’s recess, face or edge is: its colour becomes what the zone wants there.
      </p>
    );
  return (
    <ul data-testid="picks" className="text-sm">
      {sorted.map((p) => (
        <li key={`${p.zoneId} ${p.height}`} className="border-t border-line py-2">
          <div className="flex items-center gap-2">
            <Chip colour={[p.colour, p.now]} className="h-7 w-16 shrink-0" title="wanted, and as planned" />
            <span className="min-w-0 flex-1">
              <span className="block truncate">
                <strong className="font-semibold">{p.height}</strong> of {p.zone}
              </span>
              <span className="block text-xs text-soft">
                planned {p.words} ({number(p.deltaE)} dE)
              </span>
            </span>
            <IconButton label={`Remove the ${p.height} of ${p.zone}`} disabled={busy} onClick={() => onRemove(p)}>
              <X size={15} aria-hidden />
            </IconButton>
          </div>
          <TextInput
            key={p.onPurpose}
            aria-label={`On purpose: the ${p.height} of ${p.zone}`}
            placeholder="Different on purpose? Say why."
            defaultValue={p.onPurpose}
            {...bounds.PickDraft.onPurpose}
            className="mt-1"
            onBlur={(e) => e.target.value.trim() !== p.onPurpose && onPurpose(p, e.target.value.trim())}
          />
        </li>
      ))}
    </ul>
  );
}
