import { useQuery } from "@tanstack/react-query";
import { Printer, Redo2, Undo2 } from "lucide-react";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { queries } from "../../api/queries";
import type { BoardPiece, BoardView } from "../../api/types";
import { Gone } from "../../craft/Gone";
import { useTitle } from "../../craft/useTitle";
import { Button, IconButton } from "../../ui";
import { BoardPlan } from "./BoardPlan";
import { Cards } from "./Cards";
import { ChosenCopy } from "./ChosenCopy";
import { Elevation } from "./Elevation";
import { Heights } from "./Heights";
import { Lines } from "./Lines";
import { next } from "./place";
import { useBoard } from "./useBoard";

/** How the pieces of a set stand on the table, and the lines that run on over them. */
export function BoardScreen() {
  const { setId = "" } = useParams();
  const query = useQuery(queries.board(setId));
  useTitle(query.data && `Board of ${query.data.name}`);
  if (query.isError) return <Gone what="set" error={query.error} />;
  if (!query.data) return <p className="p-6 text-soft">Setting up the board…</p>;
  return <OfSet key={setId} view={query.data} />;
}

function OfSet({ view }: { view: BoardView }) {
  const hands = useBoard(view);
  const [chosen, setChosen] = useState<string>();
  const { board } = hands;
  const copy = board.copies.find((c) => c.id === chosen);
  const put = (piece: BoardPiece, all: boolean) => {
    let last: string | undefined;
    void hands.keep((now) => {
      let to = now;
      for (let fresh; (fresh = next(to, view.pieces, piece, crypto.randomUUID()));) {
        last = fresh.id;
        to = { ...to, copies: [...to.copies, fresh] };
        if (!all) break;
      }
      return to;
    });
    setChosen(last);
  };
  return (
    <>
      <Cards view={view} board={board} />
      <div className="mx-auto flex w-full max-w-[1500px] flex-1 flex-col gap-3 p-2 lg:p-3 print:hidden">
        <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <Link to="/sets" className="text-sm text-soft hover:underline">
            Sets
          </Link>
          <span aria-hidden className="text-soft">
            /
          </span>
          <Link to={`/sets/${view.setId}`} className="text-sm text-soft hover:underline">
            {view.name}
          </Link>
          <span aria-hidden className="text-soft">
            /
          </span>
          <h1 className="text-lg font-semibold">Board</h1>
          <span className="ml-auto flex items-center gap-1">
            {view.answer.copies.some((c) => c.levels.length > 0) && (
              <Button onClick={() => window.print()}>
                <Printer size={15} aria-hidden /> Cards
              </Button>
            )}
            <IconButton label="Undo" disabled={!hands.canUndo} onClick={() => void hands.undo()}>
              <Undo2 size={16} aria-hidden />
            </IconButton>
            <IconButton label="Redo" disabled={!hands.canRedo} onClick={() => void hands.redo()}>
              <Redo2 size={16} aria-hidden />
            </IconButton>
          </span>
        </div>
        <Told view={view} />
        <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_20rem]">
          <div className="flex min-w-0 flex-col gap-3">
            <BoardPlan view={view} hands={hands} chosen={chosen} onChoose={setChosen} />
            {copy && <Elevation view={view} board={board} copyId={copy.id} />}
            <Heights view={view} board={board} chosen={chosen} onChoose={setChosen} />
          </div>
          <div className="flex min-w-0 flex-col gap-3">
            <section aria-label="Pieces" className="rounded-lg border border-line bg-panel p-3">
              <h2 className="font-semibold">Pieces</h2>
              {view.pieces.length === 0 && <p className="text-sm text-soft">The set has no piece yet.</p>}
              <ul className="mt-1 flex flex-col gap-1.5 text-sm" data-testid="board-pieces">
                {view.pieces.map((piece) => {
                  const there = board.copies.filter((c) => c.pieceId === piece.id).length;
                  return (
                    <li key={piece.id} className="flex items-center gap-2">
                      <span className="min-w-0 flex-1">
                        <span className="block truncate">{piece.name}</span>
                        <span className="block text-xs text-soft">
                          {there} of {piece.copies} on the board{piece.rectangle && ", taken for a rectangle"}
                        </span>
                      </span>
                      {there < piece.copies && (
                        <>
                          <Button onClick={() => put(piece, false)}>
                            Put one<span className="sr-only">: {piece.name}</span>
                          </Button>
                          {piece.copies - there > 1 && (
                            <Button onClick={() => put(piece, true)}>
                              All<span className="sr-only">: {piece.name}</span>
                            </Button>
                          )}
                        </>
                      )}
                    </li>
                  );
                })}
              </ul>
            </section>
            {copy && <ChosenCopy key={copy.id} view={view} hands={hands} copy={copy} />}
            <Lines view={view} hands={hands} />
          </div>
        </div>
      </div>
    </>
  );
}

/** What cannot be, and what is worth knowing. */
function Told({ view }: { view: BoardView }) {
  const { faults, notes } = view.answer;
  if (faults.length === 0 && notes.length === 0 && view.gone === 0) return null;
  return (
    <ul className="flex flex-col gap-1 text-sm" data-testid="board-faults">
      {faults.map((f) => (
        <li key={f.field + f.what} role="alert" className="rounded border border-risk bg-panel px-3 py-1.5">
          {f.what}
        </li>
      ))}
      {notes.map((n) => (
        <li key={n} className="px-3 text-soft">
          {n}
        </li>
      ))}
      {view.gone > 0 && (
        <li className="px-3 text-soft">
          {view.gone === 1 ? "One copy that stood here is" : `${view.gone} copies that stood here are`} no longer in the
          set.
        </li>
      )}
    </ul>
  );
}
