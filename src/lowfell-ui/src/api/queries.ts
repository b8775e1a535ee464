import { infiniteQueryOptions, keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, ask, Problem, queryClient } from "./client";
import { baseQueries } from "./baseQueries";
import { beginQueries } from "./beginQueries";
import { lookQueries } from "./lookQueries";
import { mendQueries } from "./mendQueries";
import { planQueries } from "./planQueries";
import type {
  AmountsRequest,
  Coat,
  Finding,
  LogEntry,
  LogKind,
  Material,
  MaterialDraft,
  MixDraft,
  MixWish,
  PieceDraft,
  PieceRequest,
  PieceView,
  Schools,
  SetView,
  StripeDraft,
  TileDraft,
  ZoneDraft,
} from "./types";

const behindMs = 1_500;
const minuteMs = 60_000;
const weighMs = 250;
const passingTries = 5;
const healthMs = 5_000;
const amissMs = 2_000;
/** Entries on a page of the log, and of those found in it; a shorter one is the last. */
const logPage = 500;
const logFound = 100;

/** Whether something of a set is shown as it was before a change of shelf or preferences. */
const isPieceBehind = (p: PieceView) => !p.current || p.zones.some((z) => !z.current);
const isBehind = (set: SetView) => set.pieces.some(isPieceBehind);

// A question about a draft: its answer never changes, and soon nobody asks again.
const ofDraft = { gcTime: minuteMs, staleTime: Infinity } as const;
const at = (id: string) => ({ params: { path: { id } } });

/** Every question that a screen asks, with the key that its answer is kept under; changes.ts says what makes it stale. */
export const queries = {
  licences: () =>
    queryOptions({ queryKey: ["licences"], queryFn: () => ask(api.GET("/api/licences")), staleTime: Infinity }),
  health: () =>
    queryOptions({
      queryKey: ["health"],
      queryFn: () => ask(api.GET("/api/health")),
      retry: false,
      refetchInterval: (query) => (query.state.status === "error" ? amissMs : healthMs),
    }),
  bench: () => queryOptions({ queryKey: ["bench"], queryFn: () => ask(api.GET("/api/bench")) }),
  effects: (school: string) =>
    queryOptions({
      queryKey: ["effects", school],
      queryFn: ({ signal }) => ask(api.GET("/api/bench/schools/{id}/effects", { ...at(school), signal })),
      staleTime: 0,
    }),

  /** Every set as its card shows it, without its pieces. */
  cards: () =>
    queryOptions({
      queryKey: ["cards"],
      queryFn: () => ask(api.GET("/api/sets/cards")),
      refetchInterval: (q) => (q.state.data?.some((c) => !c.current) ? behindMs : false),
    }),
  set: (id: string) =>
    queryOptions({
      queryKey: ["set", id],
      queryFn: () => ask(api.GET("/api/sets/{id}", at(id))),
      refetchInterval: (q) => (q.state.data && isBehind(q.state.data) ? behindMs : false),
    }),
  /** What would become of a pasted list of pieces. */
  pasted: (setId: string, text: string, substrate: PieceDraft["substrate"]) =>
    queryOptions({
      queryKey: ["pasted", setId, text, substrate],
      queryFn: ({ signal }) =>
        ask(
          api.POST("/api/sets/{setId}/pieces/paste", {
            params: { path: { setId } },
            body: { text, substrate, dryRun: true },
            signal,
          }),
        ),
      enabled: text.trim() !== "",
      placeholderData: keepPreviousData,
      retry: false,
      gcTime: minuteMs,
    }),
  piece: (id: string) =>
    queryOptions({
      queryKey: ["piece", id],
      queryFn: () => ask(api.GET("/api/pieces/{id}", at(id))),
      refetchInterval: (q) => (q.state.data && isPieceBehind(q.state.data.piece) ? behindMs : false),
    }),
  /** Every zone by its names, to choose one of. */
  zones: () => queryOptions({ queryKey: ["zones"], queryFn: () => ask(api.GET("/api/zones")) }),
  search: (q: string) =>
    queryOptions({
      queryKey: ["search", q],
      queryFn: ({ signal }) => ask(api.GET("/api/search", { params: { query: { q } }, signal })),
      enabled: q !== "",
      placeholderData: keepPreviousData,
      staleTime: 0,
      gcTime: minuteMs,
    }),
  bin: () => queryOptions({ queryKey: ["bin"], queryFn: () => ask(api.GET("/api/bin")), staleTime: 0 }),
  /** What a scheme was before. */
  versions: (schemeId: string) =>
    queryOptions({
      queryKey: ["versions", schemeId],
      queryFn: () => ask(api.GET("/api/schemes/{id}/versions", at(schemeId))),
      staleTime: 0,
    }),
  zone: (id: string) =>
    queryOptions({
      queryKey: ["zone", id],
      queryFn: () => ask(api.GET("/api/zones/{id}", at(id))),
      refetchOnWindowFocus: false,
    }),
  scheme: (id: string) =>
    queryOptions({
      queryKey: ["scheme", id],
      queryFn: () => ask(api.GET("/api/schemes/{id}", at(id))),
      enabled: id !== "",
      staleTime: 0,
    }),
  schemes: () => queryOptions({ queryKey: ["schemes"], queryFn: () => ask(api.GET("/api/schemes")) }),

  /** The draft predicted and read by the rules, at every edit; the last answer stays until the next is there. */
  preview: (zone: ZoneDraft, coats: Coat[], schools: Schools) =>
    queryOptions({
      queryKey: ["preview", zone, coats, schools],
      queryFn: ({ signal }) => ask(api.POST("/api/preview/stack", { body: { zone, coats, schools }, signal })),
      placeholderData: keepPreviousData,
      ...ofDraft,
    }),
  /** What a stack costs on all copies. */
  cost: (zone: ZoneDraft, coats: Coat[], schools: Schools) =>
    queryOptions({
      queryKey: ["cost", zone, coats, schools],
      queryFn: ({ signal }) => ask(api.POST("/api/preview/cost", { body: { zone, coats, schools }, signal })),
      retry: false,
      ...ofDraft,
    }),
  /** Primers of the shelf under the base of a draft, the best first. */
  primers: (zone: ZoneDraft, coats: Coat[], schools: Schools) =>
    queryOptions({
      queryKey: ["primers", zone, coats, schools],
      queryFn: ({ signal }) => ask(api.POST("/api/preview/primers", { body: { zone, coats, schools }, signal })),
      placeholderData: keepPreviousData,
      ...ofDraft,
    }),
  /** A coat of a draft while it is wet, and dry; null for what is never wet. */
  wet: (zone: ZoneDraft, coats: Coat[], schools: Schools, coatId: string) =>
    queryOptions({
      queryKey: ["wet", zone, coats, schools, coatId],
      queryFn: async ({ signal }) =>
        (await ask(api.POST("/api/preview/wet", { body: { zone, coats, schools, coatId }, signal }))) ?? null,
      placeholderData: keepPreviousData,
      ...ofDraft,
    }),
  /** The same of a coat as it is kept, for the bench card. */
  wetOf: (zoneId: string, coatId: string) =>
    queryOptions({
      queryKey: ["wetOf", zoneId, coatId],
      queryFn: async ({ signal }) =>
        (await ask(
          api.GET("/api/zones/{id}/coats/{coatId}/wet", { params: { path: { id: zoneId, coatId } }, signal }),
        )) ?? null,
    }),
  help: (zone: ZoneDraft, coats: Coat[], schools: Schools, coatId: string) =>
    queryOptions({
      queryKey: ["help", zone, coats, schools, coatId],
      queryFn: ({ signal }) => ask(api.POST("/api/preview/help", { body: { zone, coats, schools, coatId }, signal })),
      placeholderData: keepPreviousData,
      ...ofDraft,
    }),
  /** The mends of one finding, worked out when it is looked at. */
  mends: (zone: ZoneDraft, coats: Coat[], schools: Schools, finding: Finding | null) =>
    queryOptions({
      queryKey: ["mends", zone, coats, schools, finding?.rule, finding?.coatId, finding?.aspect],
      queryFn: ({ signal }) =>
        ask(
          api.POST("/api/preview/mends", {
            body: { zone, coats, schools, rule: finding!.rule, coatId: finding!.coatId, aspect: finding!.aspect },
            signal,
          }),
        ),
      enabled: finding !== null,
      retry: false,
      ...ofDraft,
    }),
  mendAll: (zone: ZoneDraft, coats: Coat[], schools: Schools) =>
    queryOptions({
      queryKey: ["mendAll", zone, coats, schools],
      queryFn: ({ signal }) => ask(api.POST("/api/preview/mend-all", { body: { zone, coats, schools }, signal })),
      retry: false,
      ...ofDraft,
    }),
  judgement: (piece: PieceRequest) =>
    queryOptions({
      queryKey: ["judgement", piece],
      queryFn: ({ signal }) => ask(api.POST("/api/preview/piece", { body: piece, signal })),
      placeholderData: keepPreviousData,
      retry: false,
      ...ofDraft,
    }),

  materials: () => queryOptions({ queryKey: ["materials"], queryFn: () => ask(api.GET("/api/materials")) }),
  near: (colour: string, enabled: boolean) =>
    queryOptions({
      queryKey: ["near", colour],
      queryFn: ({ signal }) => ask(api.GET("/api/materials/near", { params: { query: { colour } }, signal })),
      enabled,
    }),
  swatch: (draft: MaterialDraft, calibrated: Material | undefined, enabled: boolean) =>
    queryOptions({
      queryKey: ["swatch", { ...draft, name: "" }, calibrated?.calibrationId],
      queryFn: ({ signal }) =>
        ask(
          api.POST("/api/preview/swatch", {
            params: { query: { of: calibrated?.id } },
            body: { ...draft, name: draft.name || "new" },
            signal,
          }),
        ),
      enabled,
      placeholderData: keepPreviousData,
      staleTime: Infinity,
    }),
  standIns: (material: Material) =>
    queryOptions({
      queryKey: ["standIns", material.id, material.version],
      queryFn: () => ask(api.GET("/api/materials/{id}/substitutes", at(material.id))),
      staleTime: 0,
    }),
  calibrations: (material: Material) =>
    queryOptions({
      queryKey: ["calibrations", material.id, material.calibrationId],
      queryFn: () => ask(api.GET("/api/materials/{id}/calibrations", at(material.id))),
      staleTime: 0,
    }),
  stripe: (material: Material, draft: StripeDraft, enabled: boolean) =>
    queryOptions({
      queryKey: ["stripe", material.id, material.version, draft],
      queryFn: ({ signal }) => ask(api.POST("/api/materials/{id}/stripe", { ...at(material.id), body: draft, signal })),
      enabled,
      retry: (count, error) => error instanceof Problem && error.passing && count < passingTries,
    }),
  scale: (enabled: boolean) =>
    queryOptions({
      queryKey: ["scale"],
      queryFn: () => ask(api.GET("/api/devices/scale")),
      enabled,
      refetchInterval: weighMs,
      staleTime: 0,
    }),

  mixes: () => queryOptions({ queryKey: ["mixes"], queryFn: () => ask(api.GET("/api/mixes")) }),
  mixPreview: (draft: MixDraft, wish: MixWish) =>
    queryOptions({
      queryKey: ["mixPreview", draft.components, draft.countsAs, wish],
      queryFn: ({ signal }) =>
        ask(
          api.POST("/api/preview/mix", {
            body: { components: draft.components, countsAs: draft.countsAs, ...wish },
            signal,
          }),
        ),
      enabled: draft.components.length > 0,
      placeholderData: keepPreviousData,
      retry: false,
    }),
  ratio: (materialIds: string[], target: string, enabled: boolean) =>
    queryOptions({
      queryKey: ["ratio", materialIds, target],
      queryFn: ({ signal }) => ask(api.POST("/api/preview/ratio", { body: { materialIds, target }, signal })),
      enabled,
      placeholderData: keepPreviousData,
    }),
  mixRecords: () => queryOptions({ queryKey: ["mixRecords"], queryFn: () => ask(api.GET("/api/mix-records")) }),
  again: (recordId: string, totalMl: number) =>
    queryOptions({
      queryKey: ["again", recordId, totalMl],
      queryFn: ({ signal }) =>
        ask(api.GET("/api/mix-records/{id}/again", { params: { path: { id: recordId }, query: { totalMl } }, signal })),
      placeholderData: keepPreviousData,
      staleTime: 0,
    }),
  amounts: (request: AmountsRequest) =>
    queryOptions({
      queryKey: ["amounts", request],
      queryFn: ({ signal }) => ask(api.POST("/api/amounts", { body: request, signal })),
      placeholderData: keepPreviousData,
      staleTime: 0,
    }),

  ...baseQueries,
  ...beginQueries,
  ...lookQueries,
  ...mendQueries,
  tiles: () => queryOptions({ queryKey: ["tiles"], queryFn: () => ask(api.GET("/api/tiles")) }),
  tilePreview: (draft: TileDraft, enabled: boolean) =>
    queryOptions({
      queryKey: ["tilePreview", draft],
      queryFn: ({ signal }) =>
        ask(api.POST("/api/preview/tile", { body: { ...draft, name: draft.name || "tile" }, signal })),
      enabled,
      placeholderData: keepPreviousData,
      retry: false,
    }),
  /** The pictures of a set and its pieces. */
  references: (setId: string | undefined) =>
    queryOptions({
      queryKey: ["references", setId],
      queryFn: () => ask(api.GET("/api/sets/{id}/references", at(setId!))),
      enabled: setId !== undefined,
    }),
  painted: () => queryOptions({ queryKey: ["painted"], queryFn: () => ask(api.GET("/api/painted")) }),
  match: (paintedId: string) =>
    queryOptions({
      queryKey: ["match", paintedId],
      queryFn: () => ask(api.GET("/api/painted/{id}/match", at(paintedId))),
      staleTime: 0,
    }),

  ...planQueries,
  /** The log page by page, the newest first; of one piece where it is named. */
  log: (search: string, kind: LogKind | undefined, pieceId?: string) =>
    infiniteQueryOptions({
      queryKey: ["log", search, kind, pieceId],
      queryFn: ({ signal, pageParam }) =>
        ask(api.GET("/api/log", { params: { query: { search, kind, pieceId, after: pageParam } }, signal })),
      initialPageParam: undefined as string | undefined,
      getNextPageParam: (page: LogEntry[]) =>
        page.length >= (search ? logFound : logPage) ? page.at(-1)?.id : undefined,
      placeholderData: keepPreviousData,
      staleTime: 0,
    }),
};

/** The name of a question: the first word of its key. */
export type QueryName =
  | keyof typeof baseQueries
  | keyof typeof beginQueries
  | keyof typeof lookQueries
  | keyof typeof mendQueries
  | keyof typeof planQueries
  | "health"
  | "bench"
  | "effects"
  | "cards"
  | "set"
  | "piece"
  | "pasted"
  | "zones"
  | "search"
  | "bin"
  | "versions"
  | "zone"
  | "schemes"
  | "scheme"
  | "preview"
  | "cost"
  | "help"
  | "wet"
  | "primers"
  | "wetOf"
  | "mends"
  | "mendAll"
  | "judgement"
  | "materials"
  | "near"
  | "swatch"
  | "standIns"
  | "calibrations"
  | "stripe"
  | "scale"
  | "mixes"
  | "mixPreview"
  | "ratio"
  | "mixRecords"
  | "again"
  | "amounts"
  | "tiles"
  | "tilePreview"
  | "painted"
  | "references"
  | "match"
  | "licences"
  | "progress"
  | "log";

/** Asks for health at once, after a call found nobody there. */
export function suspectConnection() {
  void queryClient.invalidateQueries({ queryKey: queries.health().queryKey });
}
