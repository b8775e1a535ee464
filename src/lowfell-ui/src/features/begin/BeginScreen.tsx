import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { bounds } from "../../api/bounds";
import { changed } from "../../api/changes";
import { api, ask, Problem, wording } from "../../api/client";
import { newId } from "../../api/newId";
import { queries } from "../../api/queries";
import type { Tool } from "../../api/types";
import { choices, paintingTimesWord, toolWord } from "../../api/words";
import { PaintRows, PaintText, StarterTicks } from "../../craft/PaintText";
import { ReadyGrid } from "../../craft/ReadyGrid";
import { useDraft } from "../../craft/useDraft";
import { useTitle } from "../../craft/useTitle";
import { Button, Choice, Field, notify, TextInput, Toggle } from "../../ui";
import { type BeginDraft, freshDraft, requestOf, withScheme } from "./beginDraft";
import { PiecesRead } from "./PiecesRead";
import { Step } from "./Step";

/** The first hour: what stands before the painter, with what, by when; the coats follow from that. */
export function BeginScreen() {
  useTitle("Begin");
  const [draft, setDraft, forget] = useDraft<BeginDraft>("begin", freshDraft);
  // Each window makes a set of its own, and asked again the same one.
  const [setId] = useState(newId);
  const [params, setParams] = useSearchParams();
  const wished = params.get("scheme") ?? undefined;
  useEffect(() => {
    if (wished !== undefined) setDraft((d) => ({ ...d, first: wished }));
  }, [wished, setDraft]);
  const [ticking, setTicking] = useState(draft.starter.length > 0);
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const bench = useQuery(queries.bench());
  const ready = useQuery(queries.ready());
  const tools = draft.toolsTold ? draft.tools : (bench.data?.tools ?? draft.tools);
  const request = requestOf({ ...draft, tools }, setId, true);
  const asked = useDeferredValue(JSON.stringify({ ...request, readyBy: undefined, leaveOut: false }));
  const looked = useQuery(queries.begun(JSON.parse(asked)));
  const begun = looked.data;
  const put = (change: Partial<BeginDraft>) => {
    setFault(undefined);
    setDraft((d) => ({ ...d, ...change }));
  };
  const wrongPaints = begun?.paints.rows.filter((r) => r.fault != null).length ?? 0;
  const wrongPieces = begun?.pieces.filter((p) => p.fault != null).length ?? 0;
  const told = (begun?.pieces.length ?? 0) > 0;
  const readError = looked.isError && (draft.paints.trim() || draft.pieces.trim()) ? wording(looked.error) : undefined;
  const ofPaints =
    looked.error instanceof Problem && ("text" in looked.error.fields || "columns" in looked.error.fields);
  async function make() {
    setBusy(true);
    try {
      const made = await ask(api.POST("/api/begin", { body: requestOf({ ...draft, tools }, setId, false) }));
      await changed("tree", "shelf", "bottles", "tools", "calendar");
      forget();
      const bought = made.toBuy.length;
      notify(
        bought > 0
          ? `Planned. ${bought === 1 ? "One paint is" : `${bought} paints are`} to buy: ${made.toBuy.join(", ")}.`
          : "Planned.",
      );
      void navigate(`/sets/${made.setId}`);
    } catch (error) {
      // Its answer was lost and something was changed since: the set is there, as it was first sent.
      if (error instanceof Problem && error.code === "taken" && "id" in error.fields) {
        await changed("tree", "shelf", "bottles", "tools", "calendar");
        forget();
        notify("It was planned already, as it was when you first pressed: change it here.");
        void navigate(`/sets/${setId}`);
        return;
      }
      setFault(wording(error));
      setBusy(false);
    }
  }
  return (
    <div className="mx-auto grid w-full max-w-[1500px] gap-3 px-3 pb-10 lg:grid-cols-[minmax(0,30rem)_minmax(0,1fr)] lg:px-4">
      <div className="flex flex-col gap-3">
        <div className="flex items-baseline gap-3 pt-2.5">
          <h1 className="text-lg font-semibold">Begin</h1>
          <Link to="/sets" className="text-sm text-soft hover:underline">
            Back to the sets
          </Link>
        </div>
        <Step number={1} title="What stands before you?" done={told && wrongPieces === 0}>
          <Field
            label="A line for each kind of piece, with its number"
            hint="Size and zones may follow: Wall, 6, 180 x 15 x 75, Stone + Walkway"
            error={readError && !ofPaints ? readError : undefined}
          >
            {(id, described) => (
              <textarea
                id={id}
                aria-describedby={described}
                autoFocus={params.get("first") !== "paints"}
                rows={3}
                maxLength={bounds.BeginRequest.pieces.maxLength}
                placeholder={"Wall, 6\nCarrier, 1"}
                className="w-full rounded border border-strong bg-raised p-2 font-mono text-sm"
                value={draft.pieces}
                onChange={(e) => put({ pieces: e.target.value })}
              />
            )}
          </Field>
          {draft.first !== undefined && (
            <p className="flex flex-wrap items-center gap-x-2 text-sm" data-testid="first-scheme">
              <span>
                Painted as <strong className="font-semibold">{draft.first}</strong>.
              </span>
              <Button
                look="quiet"
                className="px-1 underline"
                onClick={() => {
                  put({ first: undefined });
                  setParams({}, { replace: true });
                }}
              >
                Choose by piece
              </Button>
            </p>
          )}
          <div className="grid grid-cols-2 gap-3">
            <Field label="Ready by" hint="empty for no day">
              {(id, d) => (
                <TextInput
                  id={id}
                  aria-describedby={d}
                  type="date"
                  value={draft.readyBy}
                  onChange={(e) => put({ readyBy: e.target.value })}
                />
              )}
            </Field>
            {begun && !begun.hasEvenings && (
              <Field label="You paint on">
                {(id) => (
                  <Choice
                    id={id}
                    label="You paint on"
                    value={draft.times}
                    options={choices(paintingTimesWord)}
                    onChange={(times) => put({ times })}
                  />
                )}
              </Field>
            )}
          </div>
        </Step>
        <Step number={2} title="Which paints do you have?" done={(begun?.paints.added ?? 0) > 0 && wrongPaints === 0}>
          <Field
            label="A name a line, or columns from a spreadsheet"
            hint="Family and colour are read from the name where no column tells them. Empty: what is on the shelf."
            error={readError && ofPaints ? readError : undefined}
          >
            {(id, described) => (
              <PaintText
                id={id}
                described={described}
                text={draft.paints}
                columns={draft.columns}
                onChange={(paints, columns) => put({ paints, columns })}
              />
            )}
          </Field>
          {begun && <PaintRows text={draft.paints} read={begun.paints} onColumns={(columns) => put({ columns })} />}
          {wrongPaints > 0 && (
            <Toggle
              label={`Leave out the ${wrongPaints === 1 ? "row" : `${wrongPaints} rows`} with faults`}
              checked={draft.leaveOut}
              onChange={(leaveOut) => put({ leaveOut })}
            />
          )}
          <details open={ticking} onToggle={(e) => setTicking(e.currentTarget.open)}>
            <summary className="min-h-7 cursor-pointer text-sm font-semibold">
              Tick them on a starter shelf
              {draft.starter.length > 0 && (
                <span className="ml-2 font-normal text-soft">{draft.starter.length} ticked</span>
              )}
            </summary>
            {ticking && <StarterTicks ticked={draft.starter} onChange={(starter) => put({ starter })} />}
          </details>
        </Step>
        <Step number={3} title="What do you paint with?" done={bench.data?.tools != null || draft.toolsTold === true}>
          <div className="grid grid-cols-2 sm:grid-cols-3">
            {(Object.keys(toolWord) as Tool[]).map((tool) => (
              <Toggle
                key={tool}
                label={toolWord[tool]}
                checked={tools[tool]}
                onChange={(has) => put({ toolsTold: true, tools: { ...tools, [tool]: has } })}
              />
            ))}
          </div>
        </Step>
      </div>
      <section aria-label="What it would look like" className="flex flex-col gap-3 lg:pt-2.5">
        <div className="sticky top-0 z-10 flex flex-wrap items-center gap-x-3 gap-y-1 bg-ground py-1">
          <h2 className="font-semibold">What it would look like</h2>
          {told && <span className="text-xs text-soft">above as it is written, below from your shelf</span>}
          <span className="ml-auto flex items-center gap-2">
            <Button
              look="main"
              disabled={busy || !told || wrongPieces > 0 || (wrongPaints > 0 && !draft.leaveOut) || looked.isError}
              onClick={() => void make()}
            >
              Plan it
            </Button>
          </span>
        </div>
        {fault && (
          <p role="alert" className="text-sm font-semibold text-stop">
            {fault}
          </p>
        )}
        {begun && begun.toBuy.length > 0 && told && (
          <p className="text-sm" data-testid="to-buy">
            <span className="font-semibold">To buy:</span> {begun.toBuy.join(", ")}.{" "}
            {begun.toBuy.length === 1 ? "It goes" : "They go"} on the shelf empty, and so on the shopping list.
          </p>
        )}
        {begun && told ? (
          <PiecesRead
            begun={begun}
            ready={ready.data ?? []}
            onScheme={(line, zone, scheme) => setDraft((d) => withScheme(d, line, zone, scheme))}
          />
        ) : (
          <ReadyGrid />
        )}
      </section>
    </div>
  );
}
