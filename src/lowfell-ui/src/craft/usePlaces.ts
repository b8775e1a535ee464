import { useQuery } from "@tanstack/react-query";
import { queries } from "../api/queries";
import type { PlannedStep } from "../api/types";
import { techniqueFacts } from "../api/words";

/** For bases: what a step lays on each of its copies, and where; nothing where it lays nothing. */
export function usePlaces(step: PlannedStep) {
  // The host says which of its coats lays something; what is no texture is not asked about.
  const lays = step.technique && techniqueFacts(step.technique).group === techniqueFacts("tufts").group;
  const places = useQuery({
    ...queries.placement(step.zoneId, step.coatId ?? "", step.copies),
    enabled: Boolean(lays && step.coatId),
  });
  return places.data?.filter((c) => c.lines.length > 0) ?? [];
}
