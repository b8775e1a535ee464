import type { ZoneName } from "../api/types";
import type { Option } from "../ui/Choice";

/** Every zone of every set, to choose one of. */
export const zoneOptions = (zones: ZoneName[] | undefined): Option<string>[] =>
  (zones ?? []).map((z) => ({ value: z.id, label: `${z.piece}: ${z.name}`, group: z.set }));
