import { QueryClient } from "@tanstack/react-query";
import createClient from "openapi-fetch";
import type { paths } from "./schema";
import type { Full } from "./types";

/** A refusal of the server, in the painter's words. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    title: string,
    readonly fields: Record<string, string[]>,
    readonly body: unknown,
  ) {
    super(title);
  }

  /** Why, as the host tells it to programs: gone, stale, taken, inUse, outOfBounds …; none where nobody answered. */
  get code(): string | undefined {
    return (this.body as { code?: string } | null)?.code;
  }

  /** The title with what was wrong with which field. */
  get full(): string {
    // Each names its field in the painter's words.
    const faults = Object.values(this.fields).map((messages) => messages.join(" "));
    return faults.length > 0 ? `${this.message} ${faults.slice(0, 3).join(" ")}` : this.message;
  }

  /** It takes longer than an answer may: asked again in a moment, it is there. */
  get beingMade(): boolean {
    return this.status === 202;
  }

  /** Nothing answered, the database is away, too much was asked at once, or it is being made: worth another try. */
  get passing(): boolean {
    return this.status === 0 || this.beingMade || this.status === 429 || this.status === 502 || this.status === 503;
  }
}

/** The one client of the API. */
export const api = createClient<paths>({
  baseUrl: typeof location === "undefined" ? "http://localhost" : location.origin,
  // Looked up at each call, so that a test can answer in the host's place.
  fetch: (request) => globalThis.fetch(request),
});

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** Unwraps an answer, or throws a {@link Problem}. */
export async function ask<T>(call: Promise<Answer<T>>): Promise<Full<T>> {
  let answer: Answer<T>;
  try {
    answer = await call;
  } catch (cause) {
    if (cause instanceof DOMException && cause.name === "AbortError") throw cause;
    throw new Problem(0, "Lowfell does not answer.", {}, null);
  }
  if (!answer.response.ok || isBeingMade(answer.response)) {
    const body = (answer.error ?? answer.data ?? {}) as {
      title?: string;
      detail?: string;
      errors?: Record<string, string[]>;
    };
    throw new Problem(
      answer.response.status,
      [body.title ?? `The host said ${answer.response.status}.`, body.detail].filter(Boolean).join(" "),
      body.errors ?? {},
      body,
    );
  }
  return answer.data as Full<T>;
}

// What is taken up as a job is answered with 202 too, but with what there is to know of it, not with when to ask again.
const isBeingMade = (answer: Response) => answer.status === 202 && answer.headers.has("Retry-After");

const askAgainMs = 600;

/** Fetches what the host draws or writes, however long it takes to make; where it refuses, a {@link Problem}. */
export async function fetchMade(path: string, signal?: AbortSignal): Promise<Response> {
  for (let tries = 1; ; tries++) {
    const answer = await fetch(path, { signal }).catch((cause) => {
      if (signal?.aborted) throw cause;
      throw new Problem(0, "Lowfell does not answer.", {}, null);
    });
    if (!isBeingMade(answer)) {
      if (answer.ok) return answer;
      const body = await answer.json().catch(() => ({}));
      throw new Problem(answer.status, body.title ?? `The host said ${answer.status}.`, body.errors ?? {}, body);
    }
    await answer.body?.cancel();
    // The longer it takes, the less it is asked for: many pictures may wait for one surface.
    await new Promise((go) => setTimeout(go, askAgainMs * Math.min(tries, 3)));
    signal?.throwIfAborted();
  }
}

/** Sends a file as it is; what the host answers, or a {@link Problem}. */
export async function sendFile<T>(path: string, file: File, type: string): Promise<T> {
  const answer = await fetch(path, { method: "POST", headers: { "Content-Type": type }, body: file }).catch(
    () => undefined,
  );
  if (!answer) throw new Problem(0, "Lowfell does not answer.", {}, null);
  const body = await answer.json().catch(() => ({}));
  if (!answer.ok)
    throw new Problem(answer.status, body.title ?? `The host said ${answer.status}.`, body.errors ?? {}, body);
  return body as T;
}

/** What a failed call says on screen. */
export function wording(error: unknown): string {
  return error instanceof Problem ? error.full : "Something has failed here.";
}

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      // The host may stand on this very machine: the browser's notion of being online says nothing about it.
      networkMode: "always",
      staleTime: 30_000,
      retry: (count, error) => (error instanceof Problem && error.passing ? true : count < 1),
      retryDelay: (count, error) =>
        !(error instanceof Problem && error.passing) ? 500 * count : error.beingMade ? askAgainMs : 1_500,
    },
  },
});
