import { useQuery } from "@tanstack/react-query";
import { queries } from "../../api/queries";
import type { PlannedStep } from "../../api/types";
import { WetPair } from "../../craft/WetPair";

/** What this coat looks like just laid on, so that nobody corrects what only has to dry. */
export function WetHere({ step }: { step: PlannedStep }) {
  const lays = Boolean(step.technique && step.coatId && step.mix);
  const wet = useQuery({ ...queries.wetOf(step.zoneId, step.coatId ?? ""), enabled: lays });
  return lays && wet.data !== null ? (
    <div className="text-xl">
      <WetPair of={wet.data} says={false} className="h-5 w-12" />
    </div>
  ) : null;
}
