import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, ask } from "../../api/client";
import type { Coat, Schools, ZoneDraft } from "../../api/types";

export const useZonePage = (zoneId: string) =>
  useQuery({
    queryKey: ["zone", zoneId],
    queryFn: () => ask(api.GET("/api/zones/{id}", { params: { path: { id: zoneId } } })),
    refetchOnWindowFocus: false,
  });

export const useMaterials = () => useQuery({ queryKey: ["materials"], queryFn: () => ask(api.GET("/api/materials")) });

export const useMixes = () => useQuery({ queryKey: ["mixes"], queryFn: () => ask(api.GET("/api/mixes")) });

/** The draft predicted and read by the rules, at every edit; the last answer stays until the next is there. */
export const usePreview = (zone: ZoneDraft, coats: Coat[], schools: Schools) =>
  useQuery({
    queryKey: ["preview", zone, coats, schools],
    queryFn: ({ signal }) => ask(api.POST("/api/preview/stack", { body: { zone, coats, schools }, signal })),
    placeholderData: keepPreviousData,
    gcTime: 60_000,
    staleTime: Infinity,
  });

export const useHelp = (zone: ZoneDraft, coats: Coat[], schools: Schools, coatId: string) =>
  useQuery({
    queryKey: ["help", zone, coats, schools, coatId],
    queryFn: ({ signal }) => ask(api.POST("/api/preview/help", { body: { zone, coats, schools, coatId }, signal })),
    placeholderData: keepPreviousData,
    gcTime: 60_000,
    staleTime: Infinity,
  });

export const mendStack = (
  zone: ZoneDraft,
  coats: Coat[],
  schools: Schools,
  rule: string,
  coatId: string,
  mend: string,
) => ask(api.POST("/api/preview/mend", { body: { zone, coats, schools, rule, coatId, mend } }));
