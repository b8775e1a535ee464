import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, ask } from "./client";
import type { BeginRequest, GroundSetting, PaintColumn } from "./types";

const minuteMs = 60_000;

/** Questions of the first hour. */
export const beginQueries = {
  /** What would become of pieces and paints that are told; nothing is kept. */
  begun: (request: BeginRequest) =>
    queryOptions({
      queryKey: ["begun", request],
      queryFn: ({ signal }) => ask(api.POST("/api/begin", { body: { ...request, dryRun: true }, signal })),
      placeholderData: keepPreviousData,
      retry: false,
      gcTime: minuteMs,
    }),
  /** What would become of a pasted table of paints. */
  pastedPaints: (text: string, columns: PaintColumn[], starter: string[]) =>
    queryOptions({
      queryKey: ["pastedPaints", text, columns, starter],
      queryFn: ({ signal }) =>
        ask(api.POST("/api/shelf/paste", { body: { text, columns, starter, leaveOut: false, dryRun: true }, signal })),
      placeholderData: keepPreviousData,
      retry: false,
      gcTime: minuteMs,
    }),
  /** A ready scheme as a zone would be painted by it; nothing is kept. */
  readyOn: (zoneId: string, scheme: string | undefined) =>
    queryOptions({
      queryKey: ["readyOn", zoneId, scheme],
      queryFn: ({ signal }) =>
        ask(
          api.POST("/api/zones/{id}/ready", {
            params: { path: { id: zoneId } },
            body: { scheme: scheme!, version: 0, dryRun: true },
            signal,
          }),
        ),
      enabled: scheme !== undefined,
      placeholderData: keepPreviousData,
      gcTime: minuteMs,
    }),
  /** The ground palette of a setting on a zone; nothing is kept. */
  ground: (zoneId: string, setting: GroundSetting | undefined) =>
    queryOptions({
      queryKey: ["ground", zoneId, setting],
      queryFn: ({ signal }) =>
        ask(
          api.POST("/api/zones/{id}/ground", {
            params: { path: { id: zoneId } },
            body: { setting: setting!, version: 0, dryRun: true },
            signal,
          }),
        ),
      enabled: setting !== undefined,
      placeholderData: keepPreviousData,
      retry: false,
      gcTime: minuteMs,
    }),
  /** Pairs of paints of a set that are one for both. */
  fewer: (setId: string) =>
    queryOptions({
      queryKey: ["fewer", setId],
      queryFn: ({ signal }) => ask(api.GET("/api/sets/{id}/fewer", { params: { path: { id: setId } }, signal })),
      retry: false,
    }),
  starter: () => queryOptions({ queryKey: ["starter"], queryFn: () => ask(api.GET("/api/shelf/starter")) }),
  /** The ready schemes as this bench would paint them. */
  ready: () => queryOptions({ queryKey: ["ready"], queryFn: () => ask(api.GET("/api/ready")) }),
};
