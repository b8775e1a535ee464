import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, ask, queryClient } from "./client";
import type { CrackleQuestion, DustRequest } from "./types";

const rollMs = 400;
const placementKey = "placement";
const lookMs = 50;
const mostLooks = 100;
const at = (id: string) => ({ params: { path: { id } } });

/** Waits until what goes where has come for all that shows it: paper can't be drawn again. Five seconds at most, as the network may be away. */
export async function placesCame(): Promise<void> {
  for (let looks = 0; looks < mostLooks; looks++) {
    await new Promise((go) => setTimeout(go, lookMs));
    if (queryClient.isFetching({ queryKey: [placementKey] }) === 0) return;
  }
}

/** What the screens of bases ask: trays and their rolls, families, boxes, steps, what goes where. */
export const baseQueries = {
  tray: (pieceId: string) =>
    queryOptions({
      queryKey: ["tray", pieceId],
      queryFn: async () =>
        (await ask(api.GET("/api/pieces/{pieceId}/tray", { params: { path: { pieceId } } }))).tray ?? null,
    }),
  trayRoll: (id: string, rollId: string | undefined) =>
    queryOptions({
      queryKey: ["trayRoll", id, rollId],
      queryFn: () => ask(api.GET("/api/trays/{id}/rolls/{rollId}", { params: { path: { id, rollId: rollId ?? "" } } })),
      enabled: Boolean(rollId),
      refetchInterval: (query) =>
        ["waiting", "running"].includes(query.state.data?.status ?? "waiting") ? rollMs : false,
    }),
  placement: (zoneId: string, coatId: string, copies: number[]) =>
    queryOptions({
      queryKey: [placementKey, zoneId, coatId, copies],
      queryFn: () =>
        ask(api.GET("/api/zones/{zoneId}/placement", { params: { path: { zoneId }, query: { coatId, copies } } })),
    }),
  traySteps: (id: string) =>
    queryOptions({ queryKey: ["traySteps", id], queryFn: () => ask(api.GET("/api/trays/{id}/steps", at(id))) }),
  trayRim: (id: string) =>
    queryOptions({ queryKey: ["trayRim", id], queryFn: () => ask(api.GET("/api/trays/{id}/rim", at(id))) }),
  crackle: (question: CrackleQuestion) =>
    queryOptions({
      queryKey: ["crackle", question],
      queryFn: () => ask(api.POST("/api/preview/crackle", { body: question })),
      placeholderData: keepPreviousData,
      retry: false,
      staleTime: Infinity,
      gcTime: 60_000,
    }),
  dust: (request: DustRequest) =>
    queryOptions({
      queryKey: ["dust", request],
      queryFn: () => ask(api.POST("/api/base-dust", { body: { ...request, dryRun: true } })),
      enabled: Boolean(request.zoneId && request.firstId && request.secondId),
      placeholderData: keepPreviousData,
    }),
  baseFamilies: () => queryOptions({ queryKey: ["baseFamilies"], queryFn: () => ask(api.GET("/api/base-families")) }),
  elementBoxes: () => queryOptions({ queryKey: ["elementBoxes"], queryFn: () => ask(api.GET("/api/element-boxes")) }),
};
