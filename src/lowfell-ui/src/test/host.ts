import { vi } from "vitest";

export interface Sent {
  method: string;
  path: string;
  query: URLSearchParams;
  body: Record<string, unknown> | undefined;
}

type Answer = unknown | ((sent: Sent) => unknown);

/** Answers by method and end of the address, or by the end alone; what was sent is noted. */
export function host(answers: Record<string, Answer>) {
  const sent: Sent[] = [];
  vi.stubGlobal("fetch", async (request: Request) => {
    const { pathname: path, searchParams: query } = new URL(request.url);
    const text = await request.text();
    const one = { method: request.method, path, query, body: text ? JSON.parse(text) : undefined };
    sent.push(one);
    const ends = (key: string) =>
      path.endsWith(key.split(" ").at(-1)!) && (!key.includes(" ") || key.startsWith(request.method));
    const key = Object.keys(answers).find(ends);
    const answer = key ? answers[key] : [];
    const said = typeof answer === "function" ? (answer as (s: Sent) => unknown)(one) : answer;
    return said instanceof Response ? said : Response.json(said);
  });
  return sent;
}
