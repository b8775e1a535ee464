import { useQuery } from "@tanstack/react-query";
import { Printer, Redo2, Undo2 } from "lucide-react";
import { useState } from "react";
import { useParams } from "react-router";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { WeatheringView } from "../../api/types";
import { duration, number } from "../../api/words";
import { Button, Choice, Failed, IconButton } from "../../ui";
import { CopyCards } from "./CopyCards";
import { Entries } from "./Entries";
import { Faces } from "./Faces";
import { HistoryPanel } from "./HistoryPanel";
import { Hosts } from "./Hosts";
import { Letters } from "./Letters";
import { PatternPanel } from "./PatternPanel";
import { useIntoCoats, useWeathering } from "./useWeathering";

/** How much of which mark, where on each copy: proposed from what the piece went through, changed by hand, put into the coats. */
export function WeatheringScreen() {
  const { pieceId = "" } = useParams();
  return <OfPiece key={pieceId} pieceId={pieceId} />;
}

function OfPiece({ pieceId }: { pieceId: string }) {
  const [copy, setCopy] = useState(1);
  const query = useQuery(queries.weathering(pieceId, copy));
  if (query.error) return <Failed why={wording(query.error)} onAgain={() => void query.refetch()} />;
  if (!query.data) return <p className="p-6 text-soft">Working out the marks…</p>;
  return <Planned view={query.data} onCopy={setCopy} />;
}

function Planned({ view, onCopy }: { view: WeatheringView; onCopy: (copy: number) => void }) {
  const hands = useWeathering(view);
  const put = useIntoCoats(view.pieceId);
  const [chosen, setChosen] = useState<string>();
  const [printing, setPrinting] = useState(false);
  const { answer } = view;
  const any = hands.plan.entries.length > 0 || (hands.plan.letters ?? []).length > 0 || hands.plan.pattern != null;
  const faults = [...answer.entries, ...answer.letters].some((e) => e.faults.length > 0);
  const inAll = answer.entries.length > 0 && answer.entries.every((e) => e.inStack);
  return (
    <>
      {printing && <CopyCards pieceId={view.pieceId} onDone={() => setPrinting(false)} />}
      <div className="flex min-w-0 flex-1 flex-col gap-3 print:hidden">
        <HistoryPanel view={view} hands={hands} />
        {view.zones.length === 0 && <p className="px-1 text-soft">The piece has no zone yet.</p>}
        {any && (
          <section
            aria-label="In all"
            className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-lg border border-line bg-panel px-3 py-2 text-sm"
          >
            {view.copies > 1 && (
              <span className="w-32">
                <Choice
                  label="Copy that is shown"
                  value={String(answer.copy)}
                  options={Array.from({ length: view.copies }, (_, i) => ({
                    value: String(i + 1),
                    label: `Copy ${i + 1} of ${view.copies}`,
                  }))}
                  onChange={(to) => onCopy(Number(to))}
                />
              </span>
            )}
            <p data-testid="weather-sum">
              <strong>{duration(answer.minutes)}</strong> and {number(answer.ml, 1)} ml for{" "}
              {view.copies === 1 ? "it" : `all ${view.copies}`}
              {answer.overlap != null && (
                <span className="text-soft">
                  ; of their places neighbours share {number(answer.overlap * 100, 0)} %
                </span>
              )}
            </p>
            <span className="ml-auto flex items-center gap-1">
              <Button onClick={() => setPrinting(true)}>
                <Printer size={15} aria-hidden /> Cards
              </Button>
              <Button
                look="main"
                disabled={put.isPending || faults}
                title={faults ? "First mend what can't be" : undefined}
                onClick={() => put.mutate({ version: view.version })}
              >
                {inAll ? "Put into the coats again" : "Put into the coats"}
              </Button>
              <IconButton label="Undo" disabled={!hands.canUndo} onClick={() => void hands.undo()}>
                <Undo2 size={16} aria-hidden />
              </IconButton>
              <IconButton label="Redo" disabled={!hands.canRedo} onClick={() => void hands.redo()}>
                <Redo2 size={16} aria-hidden />
              </IconButton>
            </span>
          </section>
        )}
        {any && <Faces view={view} hands={hands} chosen={chosen} onChoose={setChosen} />}
        {view.zones.length > 0 && (
          <div className="grid gap-3 xl:grid-cols-2">
            <Letters view={view} hands={hands} />
            <PatternPanel view={view} hands={hands} />
          </div>
        )}
        {view.zones.map((zone) => (
          <Entries key={zone.id} view={view} hands={hands} zone={zone} chosen={chosen} onChoose={setChosen}>
            <Hosts zone={zone} hands={hands} />
          </Entries>
        ))}
      </div>
    </>
  );
}
