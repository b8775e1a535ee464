import { bounds } from "../../api/bounds";
import { Plus, X } from "lucide-react";
import type { PieceView, ZoneSettings } from "../../api/types";
import { Button, Choice, IconButton, NumberInput } from "../../ui";

type Mate = ZoneSettings["mates"][number];

interface Props {
  /** The piece of the zone, and the others of its set. */
  piece: PieceView;
  siblings: PieceView[];
  mates: Mate[];
  onChange: (mates: Mate[]) => void;
}

const usualMm = 0.2;

/** Zones of other pieces that this one is joined to or slides along, with the gap that is left between the bare parts. */
export function MatesField({ piece, siblings, mates, onChange }: Props) {
  const zones = siblings
    .filter((p) => p.id !== piece.id)
    .flatMap((p) => p.zones.map((z) => ({ value: z.id, label: `${p.piece.name}: ${z.settings.name}` })));
  const free = zones.filter((z) => !mates.some((m) => m.zoneId === z.value));
  if (zones.length === 0) return null;
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="mb-1 text-xs font-semibold text-soft">Joined to, with a gap of</legend>
      {mates.map((mate, i) => (
        <div key={mate.zoneId} className="flex items-center gap-2">
          <Choice
            label="Joined to"
            value={mate.zoneId}
            options={zones.filter((z) => z.value === mate.zoneId || free.includes(z))}
            onChange={(zoneId) => onChange(mates.map((m, j) => (j === i ? { ...m, zoneId } : m)))}
          />
          <NumberInput
            label="Gap"
            className="w-28"
            value={mate.clearanceMm}
            bound={bounds.Mate.clearanceMm}
            unit="mm"
            onChange={(clearanceMm) => onChange(mates.map((m, j) => (j === i ? { ...m, clearanceMm } : m)))}
          />
          <IconButton label="Not joined" onClick={() => onChange(mates.filter((_, j) => j !== i))}>
            <X size={15} aria-hidden />
          </IconButton>
        </div>
      ))}
      {free.length > 0 && (
        <Button
          className="self-start"
          onClick={() => onChange([...mates, { zoneId: free[0]!.value, clearanceMm: usualMm }])}
        >
          <Plus size={14} aria-hidden /> Joined part
        </Button>
      )}
    </fieldset>
  );
}
