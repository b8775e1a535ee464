/** What a step of the work is known by: a pass of a coat on a zone, or a part that is fitted. */
export interface StepId {
  zoneId: string;
  coatId?: string | null;
  partId?: string | null;
  pass: number;
}

/** A step, whichever copies it is for. */
export const stepKey = (s: StepId): string => (s.partId ? `fit ${s.partId}` : `${s.zoneId} ${s.coatId} ${s.pass}`);

/** A step of a plan, told from the same step on other copies. */
export const lotKey = (s: StepId & { copies: number[] }): string => `${stepKey(s)} ${s.copies[0]}`;
