import { useEffect, useState } from "react";
import { fetchMade } from "../api/client";

// The host draws one at a time: the others of a long list wait here, and are asked for by nobody meanwhile.
const askedAtOnce = 3;
const turns: (() => void)[] = [];
let asking = 0;

async function inTurn<T>(run: () => Promise<T>): Promise<T> {
  if (asking >= askedAtOnce) await new Promise<void>((go) => turns.push(go));
  else asking++;
  try {
    return await run();
  } finally {
    // Whoever is next takes its place.
    const next = turns.shift();
    if (next) next();
    else asking--;
  }
}

/** Has a picture drawn; whether there is one. */
async function draw(src: string, signal: AbortSignal): Promise<boolean> {
  signal.throwIfAborted();
  const answer = await fetchMade(src, signal);
  // Read to its end: one that is not holds a connection.
  await answer.blob();
  // Some hosts draw none: 204.
  return answer.status === 200;
}

/**
 * A picture that the host draws when it is first asked for. An image can't tell what the host said: where none came it is asked for until
 * it has been drawn, then shown by another element.
 */
export function useMade(src: string) {
  const [missed, setMissed] = useState<string>();
  const [made, setMade] = useState<string>();
  const [failed, setFailed] = useState<string>();
  useEffect(() => {
    if (missed === undefined) return;
    const left = new AbortController();
    inTurn(() => draw(missed, left.signal))
      .then((drawn) => left.signal.aborted || (drawn ? setMade : setFailed)(missed))
      .catch(() => left.signal.aborted || setFailed(missed))
      .finally(() => left.signal.aborted || setMissed(undefined));
    return () => left.abort();
  }, [missed]);
  const waits = missed === src;
  return {
    failed: failed === src,
    image: {
      key: waits ? "waits" : made === src ? "made" : "asked",
      src: waits ? undefined : src,
      "data-waits": waits || undefined,
      // What was drawn and does not come is not asked for again and again.
      onError: () => (made === src ? setFailed : setMissed)(src),
    },
  };
}
