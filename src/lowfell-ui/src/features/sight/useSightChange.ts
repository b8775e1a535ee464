import { useMutation } from "@tanstack/react-query";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import type { SightChange } from "../../api/types";
import { notify } from "../../ui";

/** What is done about one coat: another paint, another width, or word that it stays. */
export type Change = Pick<SightChange, "materialId" | "widthMm" | "keep">;

/** Makes a coat of a piece show, or lets it stay, with a way back. */
export function useSightChange(pieceId: string) {
  const change = useMutation({
    mutationFn: (body: SightChange) =>
      ask(api.POST("/api/pieces/{id}/sight/change", { params: { path: { id: pieceId } }, body })),
    onSuccess: async ({ was, now }, { zoneId, coatId, keep, back }) => {
      await changed("stack");
      if (back) notify("It is as it was.");
      else
        notify(keep === undefined ? "The coat is changed." : keep ? "It stays." : "It is judged again.", () =>
          change.mutate({ zoneId, coatId, back: was, from: now }),
        );
    },
    onError: (error) => notify(wording(error)),
  });
  return change;
}
