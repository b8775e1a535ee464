import { boardKept, changed } from "../../api/changes";
import { api, ask } from "../../api/client";
import type { BoardView } from "../../api/types";
import { useKeptDocument } from "../../craft/useKeptDocument";

/** A board with what a hand may do to it. */
export function useBoard(view: BoardView) {
  const { now, ...hands } = useKeptDocument(view, {
    of: (v) => v.board,
    put: ({ setId, version }, board: BoardView["board"]) =>
      ask(api.PUT("/api/sets/{id}/board", { params: { path: { id: setId } }, body: { version, board } })),
    kept: boardKept,
    stale: () => changed("board"),
  });
  return { board: now, ...hands };
}

export type BoardHands = ReturnType<typeof useBoard>;
