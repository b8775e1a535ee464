const minuteMs = 60_000;

/** Minutes that are left of a wait, rounded up; 0 once it is over. */
export const minutesEarly = (ready: number, now: number): number => Math.max(0, Math.ceil((ready - now) / minuteMs));
