import type { SetView } from "../api/types";
import type { Option } from "../ui/Choice";

/** Every zone of every set, to choose one of. */
export const zoneOptions = (sets: SetView[] | undefined): Option<string>[] =>
  (sets ?? []).flatMap((s) =>
    s.pieces.flatMap((p) =>
      p.zones.map((z) => ({ value: z.id, label: `${p.piece.name}: ${z.settings.name}`, group: s.name })),
    ),
  );
