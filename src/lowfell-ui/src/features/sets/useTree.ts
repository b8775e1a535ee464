import { changed } from "../../api/changes";
import { useMemo } from "react";
import { api, ask, wording } from "../../api/client";
import type { PieceDraft, PieceView, SetDraft, SetView, ZoneSettings, ZoneView } from "../../api/types";
import { notify } from "../../ui";

const refresh = () => changed("tree");

async function run(call: () => Promise<unknown>, done?: string, undo?: () => Promise<unknown>) {
  try {
    await call();
    await refresh();
    if (done) notify(done, undo && (() => void run(undo)));
  } catch (error) {
    notify(wording(error));
    await refresh();
  }
}

/** Saves that belong to a dialog throw, so that the dialog can show what is wrong and keep what was typed. */
async function save<T>(call: Promise<T>): Promise<T> {
  const answer = await call;
  await refresh();
  return answer;
}

/** What is known by its name. */
type Named = { id: string; name: string };

const at = (id: string) => ({ params: { path: { id } } });
const atVersion = ({ id, version }: { id: string; version: number }) => ({
  params: { path: { id }, query: { version } },
});

const putZones = (zones: { id: string; version: number; settings: ZoneSettings }[]) =>
  ask(api.PUT("/api/zones", { body: { zones } }));

/** What can be done to sets, pieces and zones. Deleting asks nothing and can be undone. */
export function useTree() {
  return useMemo(
    () => ({
      /** Answers with the id of a set that is new. */
      saveSet: async (draft: SetDraft, set?: Named & { version: number }): Promise<string | undefined> => {
        if (!set) return (await save(ask(api.POST("/api/sets", { body: draft })))).id;
        await save(ask(api.PUT("/api/sets/{id}", { ...at(set.id), body: { version: set.version, ...draft } })));
      },
      copySet: (set: Named) => run(() => ask(api.POST("/api/sets/{id}/copy", at(set.id)))),
      removeSet: (set: Named & { version: number }) =>
        run(
          () => ask(api.DELETE("/api/sets/{id}", atVersion(set))),
          `Deleted ${set.name}.`,
          () => ask(api.POST("/api/sets/{id}/restore", at(set.id))),
        ),
      orderSets: (ids: string[], was: string[]) => run(() => ask(api.PUT("/api/sets/order", { body: { ids, was } }))),
      savePiece: (set: SetView, piece: PieceDraft, old?: PieceView) =>
        save(
          old
            ? ask(
                api.PUT("/api/pieces/{id}", {
                  ...at(old.id),
                  body: { version: old.version, piece },
                }),
              )
            : ask(
                api.POST("/api/sets/{setId}/pieces", {
                  params: { path: { setId: set.id } },
                  body: piece,
                }),
              ),
        ),
      copyPiece: (piece: PieceView) => run(() => ask(api.POST("/api/pieces/{id}/copy", at(piece.id)))),
      removePiece: (piece: PieceView) =>
        run(
          () => ask(api.DELETE("/api/pieces/{id}", atVersion(piece))),
          `Deleted ${piece.piece.name}.`,
          () => ask(api.POST("/api/pieces/{id}/restore", at(piece.id))),
        ),
      orderPieces: (set: SetView, ids: string[]) =>
        run(() =>
          ask(
            api.PUT("/api/sets/{setId}/pieces/order", {
              params: { path: { setId: set.id } },
              body: { ids, was: set.pieces.map((p) => p.id) },
            }),
          ),
        ),
      saveZone: (piece: PieceView, settings: ZoneSettings, old?: ZoneView) =>
        save(
          old
            ? ask(
                api.PUT("/api/zones/{id}", {
                  ...at(old.id),
                  body: { version: old.version, settings },
                }),
              )
            : ask(
                api.POST("/api/pieces/{pieceId}/zones", {
                  params: { path: { pieceId: piece.id } },
                  body: settings,
                }),
              ),
        ),
      /** Changes several zones: all of them, or none. */
      saveZones: (all: { zone: ZoneView; settings: ZoneSettings }[]) =>
        save(putZones(all.map(({ zone, settings }) => ({ id: zone.id, version: zone.version, settings })))),
      /** Gives zones the settings back that they had, whatever version they have got to since. */
      putZonesBack: (all: { zone: ZoneView; settings: ZoneSettings }[]) =>
        run(async () => {
          const now = await Promise.all(all.map(({ zone }) => ask(api.GET("/api/zones/{id}", at(zone.id)))));
          await putZones(all.map(({ settings }, i) => ({ id: now[i]!.id, version: now[i]!.version, settings })));
        }),
      copyZone: (zone: ZoneView) => run(() => ask(api.POST("/api/zones/{id}/copy", at(zone.id)))),
      removeZone: (zone: ZoneView) =>
        run(
          () => ask(api.DELETE("/api/zones/{id}", atVersion(zone))),
          `Deleted ${zone.settings.name}.`,
          () => ask(api.POST("/api/zones/{id}/restore", at(zone.id))),
        ),
      orderZones: (piece: PieceView, ids: string[]) =>
        run(() =>
          ask(
            api.PUT("/api/pieces/{pieceId}/zones/order", {
              params: { path: { pieceId: piece.id } },
              body: { ids, was: piece.zones.map((z) => z.id) },
            }),
          ),
        ),
    }),
    [],
  );
}
