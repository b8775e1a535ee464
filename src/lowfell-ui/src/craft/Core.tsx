import type { SampleStratum } from "../api/types";
import { MiniCore } from "./MiniCore";

interface Props {
  /** Strata before the coat. */
  strata: SampleStratum[];
  /** Recess, face, edge of the coat itself, where it is on. */
  after?: string[];
}

/** The core sample of a step: as it is before the coat, or with it. */
export function Core({ strata, after }: Props) {
  const [recess, face, edge] = after ?? [];
  return <MiniCore strata={recess && face && edge ? [...strata, { recess, face, edge, barrier: false }] : strata} />;
}
