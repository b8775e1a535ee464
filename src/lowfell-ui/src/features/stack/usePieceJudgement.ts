import { useQuery } from "@tanstack/react-query";
import { queries } from "../../api/queries";
import type { Coat, Schools, ZonePage } from "../../api/types";

/** The rules over the whole piece, with the draft in the place of every stack of its scheme. */
export function usePieceJudgement(page: ZonePage, coats: Coat[], schools: Schools) {
  const own = new Set(page.scheme.coats.map((c) => c.id));
  const shares = (z: ZonePage["around"]["zones"][number]) => z.id === page.id || z.coats.some((c) => own.has(c.id));
  return useQuery(
    queries.judgement({
      ...page.around,
      zones: page.around.zones.map((z) => (shares(z) ? { ...z, coats } : z)),
      schools,
    }),
  );
}
