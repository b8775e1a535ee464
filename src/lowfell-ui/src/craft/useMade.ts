import { useEffect, useState } from "react";
import { fetchMade } from "../api/client";

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
    fetchMade(missed, left.signal)
      // Some hosts draw none: 204.
      .then((answer) => (answer.status === 200 ? setMade : setFailed)(missed))
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
