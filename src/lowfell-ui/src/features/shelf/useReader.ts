import { useEffect, useState } from "react";
import { api, ask } from "../../api/client";

interface Aim {
  whiteField: boolean;
  materialId?: string;
  dryFilmUm: number;
}

/** The colour reader: aimed at a spot, it is asked until it has settled. */
export function useReader<T extends string>(onRead: (spot: T, colour: string) => void) {
  const [spot, setSpot] = useState<T>();
  const [seen, setSeen] = useState<string>();
  useEffect(() => {
    if (!spot) return;
    const timer = setInterval(() => {
      ask(api.GET("/api/devices/reader")).then(
        (view) => {
          setSeen(view.colour ?? undefined);
          if (!view.steady || !view.colour) return;
          onRead(spot, view.colour);
          setSpot(undefined);
        },
        () => setSpot(undefined),
      );
    }, 250);
    return () => clearInterval(timer);
    // onRead is called with the newest spot only.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [spot]);
  return {
    spot,
    seen,
    aim: (at: T, aim: Aim) => {
      setSeen(undefined);
      void ask(api.POST("/api/devices/reader", { body: aim })).then(
        () => setSpot(at),
        () => setSpot(undefined),
      );
    },
  };
}
