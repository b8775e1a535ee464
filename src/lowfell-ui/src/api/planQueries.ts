import { infiniteQueryOptions, keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, ask } from "./client";
import { kept, stored } from "./stored";
import type { Plan, PlanRequest, ZoneProgress } from "./types";

const minuteMs = 60_000;
const planKey = "lowfell.benchPlan.8";
const progressKey = "lowfell.benchProgress.2";

/** A plan, when it was asked for, and of which sets; all where none is named. */
export interface AskedPlan {
  asked: number;
  sets: string[];
  plan: Plan;
}

/** A plan that is not held: what it is called, and where it comes from. */
export interface PlanLook {
  name: string;
  planId?: string;
  request?: PlanRequest;
}

/** How far the copies of a zone are, and when that was asked for. */
export interface AskedProgress {
  asked: number;
  zoneId: string;
  progress: ZoneProgress[];
}

/** What the evenings and the bench ask: the calendar, plans, how far copies are. */
export const planQueries = {
  calendar: () => queryOptions({ queryKey: ["calendar"], queryFn: () => ask(api.GET("/api/calendar")) }),
  feed: (enabled: boolean) =>
    queryOptions({ queryKey: ["feed"], queryFn: () => ask(api.GET("/api/plan/feed")), enabled }),
  plan: (request: PlanRequest, enabled: boolean) =>
    queryOptions({
      queryKey: ["plan", request],
      queryFn: ({ signal }) => ask(api.POST("/api/plan", { body: request, signal })),
      enabled,
      placeholderData: keepPreviousData,
      staleTime: minuteMs,
    }),
  /** When each set is done. */
  doneBy: () =>
    queryOptions({
      queryKey: ["doneBy"],
      queryFn: ({ signal }) => ask(api.GET("/api/plan/done-by", { signal })),
      staleTime: minuteMs,
    }),
  /** The first finished copy of a piece against its plan; null until there is one with others to come. */
  firstCopy: (pieceId: string) =>
    queryOptions({
      queryKey: ["firstCopy", pieceId],
      queryFn: async ({ signal }) =>
        (await ask(api.GET("/api/pieces/{id}/first-copy", { params: { path: { id: pieceId } }, signal }))) ?? null,
    }),
  /** A plan that is looked at before it is held: one that a search found, or another way to do it. */
  planLook: (look: PlanLook | undefined) =>
    queryOptions({
      queryKey: ["plan", "look", look],
      queryFn: ({ signal }) =>
        look!.planId
          ? ask(api.GET("/api/plan/held/{id}", { params: { path: { id: look!.planId } }, signal }))
          : ask(api.POST("/api/plan/look", { body: look!.request!, signal })),
      enabled: look !== undefined,
    }),
  /** The host tries as many as an answer has the time for: it is asked on until there are no more. */
  whatIfs: (request: PlanRequest) =>
    infiniteQueryOptions({
      queryKey: ["whatIfs", request],
      queryFn: ({ signal, pageParam }) =>
        ask(api.POST("/api/plan/what-ifs", { params: { query: { from: pageParam } }, body: request, signal })),
      initialPageParam: 0,
      getNextPageParam: (last) => last.next,
      staleTime: minuteMs,
    }),
  /** The plan at the bench: the last answer stands in while the network is away, unless it is of other sets. */
  benchPlan: (sets: string[], request: PlanRequest) =>
    queryOptions({
      queryKey: ["plan", "bench", sets],
      queryFn: () =>
        kept(planKey, async (): Promise<AskedPlan> => {
          const asked = Date.now();
          return { asked, sets, plan: await ask(api.POST("/api/plan", { body: request })) };
        }),
      placeholderData: () => {
        const before = stored<AskedPlan>(planKey);
        return before?.sets.join() === sets.join() ? before : undefined;
      },
    }),
  /** How far every copy of a zone is; the last answer stands in while the network is away. */
  zoneProgress: (zoneId: string | undefined) =>
    queryOptions({
      queryKey: ["progress", zoneId],
      queryFn: () =>
        kept(progressKey, async (): Promise<AskedProgress> => {
          const asked = Date.now();
          const progress = await ask(api.GET("/api/log/progress", { params: { query: { zoneId } } }));
          return { asked, zoneId: zoneId!, progress };
        }),
      placeholderData: () => {
        const last = stored<AskedProgress>(progressKey);
        return last?.zoneId === zoneId ? last : undefined;
      },
      enabled: zoneId !== undefined,
    }),
  setProgress: (setId: string | undefined) =>
    queryOptions({
      queryKey: ["progress", "set", setId],
      queryFn: ({ signal }) => ask(api.GET("/api/log/progress", { params: { query: { setId } }, signal })),
      enabled: setId !== undefined,
      staleTime: 0,
    }),
};
