import { useQuery } from "@tanstack/react-query";
import { queries } from "../../api/queries";
import type { PlannedStep } from "../../api/types";
import { WetPair } from "../../craft/WetPair";

/** What this coat looks like just laid on, so that nobody corrects what only has to dry. */
export function WetHere({ step }: { step: PlannedStep }) {
  const wet = useQuery({
    ...queries.wetOf(step.zoneId, step.coatId ?? ""),
    enabled: Boolean(step.technique && step.coatId),
  });
  return wet.data ? <WetPair of={wet.data} className="h-8 w-28" /> : null;
}
