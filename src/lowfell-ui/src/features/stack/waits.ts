import type { Coat, Wait } from "../../api/types";
import { duration, waitedForWord } from "../../api/words";

/** What a coat waits for and how long, as one line; null where it need not wait. */
export function waitLine(wait: Wait | undefined | null): string | null {
  if (!wait) return null;
  const within = wait.most == null ? "" : `, ${duration(wait.most)} at most`;
  if (wait.kind === "whileWet") return `while the ${wait.film} ${waitedForWord.whileWet}${within}`;
  if (wait.minutes < 1) return null;
  return `${duration(wait.minutes)}, until the ${wait.film} ${waitedForWord[wait.kind]}${within}`;
}

/** In the row of the stack: nothing where the wait is too short to plan for. */
export function waitMark(wait: Wait | undefined | null): string | null {
  if (!wait) return null;
  if (wait.kind === "whileWet") return "while wet";
  return wait.minutes < leastShownMin ? null : duration(wait.minutes);
}

/** Whether the painter goes on sooner than the film below asks for. */
export const hurries = (wait: Wait | undefined | null): boolean => wait?.needed != null && wait.minutes < wait.needed;

/** The coat waiting so many minutes; as long as it needs where none are given. */
export function withWait(coat: Coat, minutes: number | null): Coat {
  const { waitMinutes: _own, ...rest } = coat;
  return minutes === null ? rest : { ...rest, waitMinutes: minutes };
}

const leastShownMin = 5;
