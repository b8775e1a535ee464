import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, ask } from "./client";
import type { CardList, CardPages, PieceLook, PieceSight } from "./types";

/** What of a stack is looked at otherwise than it is kept. */
export interface LookTrial {
  tryZoneId?: string;
  trySchemeId?: string;
  tryCoatId?: string;
  tryMaterialId?: string;
  tryHand?: number;
}

/** What the look of a piece asks: its colours, its surface, what it can be shown as; and what of it is seen from the table. */
export const lookQueries = {
  look: (pieceId: string, lamp: PieceLook["lamp"], copy = 1, apart = false, trial: LookTrial = {}) =>
    queryOptions({
      queryKey: ["look", pieceId, lamp, copy, apart, trial],
      queryFn: ({ signal }) =>
        ask(
          api.GET("/api/pieces/{id}/look", {
            params: { path: { id: pieceId }, query: { lamp, copy, apart, ...trial } },
            signal,
          }),
        ),
      placeholderData: keepPreviousData,
    }),
  mesh: (id: string | undefined) =>
    queryOptions({
      queryKey: ["mesh", id],
      queryFn: async ({ signal }) => {
        const answer = await fetch(`/api/meshes/${id}`, { signal });
        if (!answer.ok) throw new Error("The surface of the piece did not come.");
        return answer.arrayBuffer();
      },
      enabled: Boolean(id),
      // What an address answers never changes.
      staleTime: Infinity,
      gcTime: 60_000,
    }),
  sight: (pieceId: string, metres: number | undefined, room: PieceSight["room"], eyes: PieceSight["eyes"]) =>
    queryOptions({
      queryKey: ["sight", pieceId, metres, room, eyes],
      queryFn: ({ signal }) =>
        ask(
          api.GET("/api/pieces/{id}/sight", {
            params: { path: { id: pieceId }, query: { metres, room, eyes } },
            signal,
          }),
        ),
      placeholderData: keepPreviousData,
    }),
  sightTrial: (
    pieceId: string,
    metres: number | undefined,
    room: PieceSight["room"],
    eyes: PieceSight["eyes"],
    open: boolean,
  ) =>
    queryOptions({
      queryKey: ["sightTrial", pieceId, metres, room, eyes],
      queryFn: ({ signal }) =>
        ask(
          api.GET("/api/pieces/{id}/sight/trial", {
            params: { path: { id: pieceId }, query: { metres, room, eyes } },
            signal,
          }),
        ),
      enabled: open,
    }),
  setSight: (setId: string, metres: number | undefined, room: PieceSight["room"], eyes: PieceSight["eyes"]) =>
    queryOptions({
      queryKey: ["setSight", setId, metres, room, eyes],
      queryFn: ({ signal }) =>
        ask(
          api.GET("/api/sets/{id}/sight", {
            params: { path: { id: setId }, query: { metres, room, eyes } },
            signal,
          }),
        ),
      placeholderData: keepPreviousData,
    }),
  board: (setId: string) =>
    queryOptions({
      queryKey: ["board", setId],
      queryFn: ({ signal }) => ask(api.GET("/api/sets/{id}/board", { params: { path: { id: setId } }, signal })),
    }),
  weathering: (pieceId: string, copy: number) =>
    queryOptions({
      queryKey: ["weathering", pieceId, copy],
      queryFn: ({ signal }) =>
        ask(api.GET("/api/pieces/{id}/weathering", { params: { path: { id: pieceId }, query: { copy } }, signal })),
      placeholderData: keepPreviousData,
    }),
  weatherCards: (pieceId: string) =>
    queryOptions({
      queryKey: ["weatherCards", pieceId],
      queryFn: async ({ signal }) => {
        const cards: CardPages[] = [];
        for (let from: number | null = 1; from;) {
          const some: CardList = await ask(
            api.GET("/api/pieces/{id}/weathering/cards", {
              params: { path: { id: pieceId }, query: { from } },
              signal,
            }),
          );
          cards.push(...some.cards);
          from = some.next ?? null;
        }
        return cards;
      },
      gcTime: 0,
    }),
  coatMarks: (zoneId: string, coatId: string) =>
    queryOptions({
      queryKey: ["coatMarks", zoneId, coatId],
      queryFn: ({ signal }) =>
        ask(api.GET("/api/zones/{id}/coats/{coatId}/marks", { params: { path: { id: zoneId, coatId } }, signal })),
    }),
  lines: (zoneId: string) =>
    queryOptions({
      queryKey: ["lines", zoneId],
      queryFn: ({ signal }) => ask(api.GET("/api/zones/{id}/lines", { params: { path: { id: zoneId } }, signal })),
    }),
  stairs: (
    pieceId: string,
    metres: number | undefined,
    room: PieceSight["room"],
    eyes: PieceSight["eyes"],
    minutes: number | undefined,
  ) =>
    queryOptions({
      queryKey: ["stairs", pieceId, metres, room, eyes, minutes],
      queryFn: ({ signal }) =>
        ask(
          api.GET("/api/pieces/{id}/sight/stairs", {
            params: { path: { id: pieceId }, query: { metres, room, eyes, minutes } },
            signal,
          }),
        ),
      placeholderData: keepPreviousData,
    }),
  shownAs: () =>
    queryOptions({ queryKey: ["shownAs"], queryFn: () => ask(api.GET("/api/stand-ins")), staleTime: Infinity }),
};

/** Address of a picture of the piece of a zone, before or after one of its coats. */
export function pictureOfStep(
  zoneId: string,
  part: { w: number; h: number; coatId?: string; before?: boolean; copy?: number; v?: string },
): string {
  return `/api/zones/${zoneId}/picture.png?${queryOf(part)}`;
}

const queryOf = (part: object) =>
  new URLSearchParams(Object.entries(part).flatMap(([k, v]) => (v === undefined ? [] : [[k, String(v)]])));

/** Address of a picture of a piece that the host draws. */
export function pictureOf(
  pieceId: string,
  part: {
    w: number;
    h: number;
    zoneId?: string;
    coats?: number;
    lamp?: string;
    turn?: number;
    lift?: number;
    wet?: boolean;
    copy?: number;
    fromM?: number;
    v?: string;
  },
): string {
  return `/api/pieces/${pieceId}/picture.png?${queryOf(part)}`;
}
