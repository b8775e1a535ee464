import { useMutation } from "@tanstack/react-query";
import { changed, weatheringKept } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import type { MarkEntry, WeatheringDraft, WeatheringView } from "../../api/types";
import { useKeptDocument } from "../../craft/useKeptDocument";
import { notify } from "../../ui";

/** The plan of a piece with what a hand may do to it. */
export function useWeathering(view: WeatheringView) {
  const path = { id: view.pieceId };
  const { now, ...hands } = useKeptDocument(view, {
    of: (v) => v.plan,
    put: ({ version, answer }, plan: WeatheringDraft) =>
      ask(
        api.PUT("/api/pieces/{id}/weathering", {
          params: { path, query: { copy: answer.copy } },
          body: { version, plan },
        }),
      ),
    kept: weatheringKept,
    stale: () => changed("weathering"),
  });
  const change = (id: string, to: Partial<MarkEntry>, what = "") =>
    hands.keep((plan) => ({ ...plan, entries: plan.entries.map((e) => (e.id === id ? { ...e, ...to } : e)) }), what);
  const propose = useMutation({
    mutationFn: (plan: WeatheringDraft) =>
      ask(api.POST("/api/pieces/{id}/weathering/proposal", { params: { path }, body: { plan } })),
    onSuccess: (entries) => {
      void hands.keep((plan) => ({ ...plan, entries }));
      if (entries.length === 0)
        notify("Nothing of that leaves a mark on this piece: choose what else it went through.");
    },
    onError: (error) => notify(wording(error)),
  });
  const add = useMutation({
    mutationFn: (of: { zoneId: string; kind: MarkEntry["kind"] }) =>
      ask(api.POST("/api/pieces/{id}/weathering/kind", { params: { path }, body: { plan: now, ...of } })),
    onSuccess: (entry) => void hands.keep((plan) => ({ ...plan, entries: [...plan.entries, entry] })),
    onError: (error) => notify(wording(error)),
  });
  return { plan: now, ...hands, change, propose, add };
}

export type WeatheringHands = ReturnType<typeof useWeathering>;

interface Put {
  version: number;
  back?: { zoneId: string; schemeId: string; version: number; coats: never[] }[];
}

/** Puts the marks into the coats, with a way back. */
export function useIntoCoats(pieceId: string) {
  const put = useMutation({
    mutationFn: (body: Put) =>
      ask(api.POST("/api/pieces/{id}/weathering/coats", { params: { path: { id: pieceId } }, body })),
    onSuccess: async ({ was, version, added }, { back }) => {
      await changed("stack");
      if (back) notify("The coats are as they were.");
      else if (was.length === 0) notify("The coats have all of it already.");
      else
        notify(
          added.length === 0 ? "The marks are in the coats." : `The marks are in the coats, with ${added.join("; ")}.`,
          () => put.mutate({ version, back: was as never }),
        );
    },
    onError: (error) => notify(wording(error)),
  });
  return put;
}
