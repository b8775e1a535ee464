import type { PlanRequest } from "../api/types";

const chosenKey = "lowfell.plannedSets";
const learnKey = "lowfell.learn";

/** Sets that the painter plans; all where none is chosen. */
export function chosenSets(): string[] {
  try {
    return JSON.parse(localStorage.getItem(chosenKey) ?? "[]") as string[];
  } catch {
    return [];
  }
}

export const rememberSets = (ids: string[]) => localStorage.setItem(chosenKey, JSON.stringify(ids));

/** Whether the plan follows the painter's own figures. */
export const follows = (): boolean => localStorage.getItem(learnKey) !== "no";

export const rememberFollows = (on: boolean) => localStorage.setItem(learnKey, on ? "yes" : "no");

/** What is asked for. */
export const planRequest = (sets: string[], learn: boolean): PlanRequest => ({
  setIds: sets.length > 0 ? sets : undefined,
  withoutOptional: false,
  warmAir: false,
  learn,
  overspray: "care",
  otherWash: false,
});
