import { day } from "../../api/units";
import { useQuery } from "@tanstack/react-query";
import { ArrowDown, ArrowUp, Ellipsis, Plus } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { SetCard } from "../../api/types";
import { area } from "../../api/words";
import { MiniCore } from "../../craft/MiniCore";
import { markOf, PiecePicture } from "../../craft/PiecePicture";
import { Button, Failed, FoundCounts, IconButton, Menu } from "../../ui";
import { SetDialog } from "./SetDialog";
import { swap } from "./swap";
import { FirstSteps } from "./FirstSteps";
import { useTree } from "./useTree";

const WaysIn = lazy(async () => ({ default: (await import("./WaysIn")).WaysIn }));

/** What is on the table: a card for each set, with how it looks, how far it is and what comes next. */
export function SetsScreen() {
  const cards = useQuery(queries.cards());
  const bench = useQuery(queries.bench());
  const plan = useDoneBy(cards.data);
  const [params, setParams] = useSearchParams();
  const [editing, setEditing] = useState<SetCard | "new" | null>(null);
  const tree = useTree();
  const navigate = useNavigate();
  if (cards.isError) return <Failed why={wording(cards.error)} onAgain={() => void cards.refetch()} />;
  if (!cards.data || bench.isPending) return <p className="p-6 text-soft">Opening your sets…</p>;
  const all = cards.data;
  const ids = all.map((c) => c.id);
  const open = editing ?? (params.get("new") === "set" ? "new" : null);
  const close = () => {
    setEditing(null);
    if (params.size > 0) setParams({}, { replace: true });
  };
  const copies = all.reduce((n, c) => n + c.facts.copies, 0);
  return (
    <div className="mx-auto w-full max-w-[1500px] px-3 pb-10 lg:px-4">
      <div className="flex flex-wrap items-center gap-x-3 py-2.5">
        <h1 className="text-lg font-semibold">What is on the table</h1>
        {all.length > 0 && (
          <p className="text-sm text-soft">
            {all.length} {all.length === 1 ? "set" : "sets"}, {copies} {copies === 1 ? "piece" : "pieces"}
          </p>
        )}
        <span className="ml-auto flex gap-1">
          {all.length > 0 && (
            <Link
              to="/begin"
              title="Pieces by their names, with ready schemes from your shelf"
              className="inline-flex min-h-8 items-center rounded border border-strong bg-raised px-3 text-sm font-medium hover:bg-tint"
            >
              Begin with a ready scheme
            </Link>
          )}
          <Button look="main" onClick={() => setEditing("new")}>
            <Plus size={15} aria-hidden /> Set
          </Button>
        </span>
      </div>
      <FirstSteps cards={all} />
      {all.length === 0 && (
        <Suspense>
          <WaysIn onSet={() => setEditing("new")} />
        </Suspense>
      )}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(min(20rem,100%),1fr))] gap-3">
        {all.map((card, i) => (
          <li key={card.id}>
            <Card card={card} doneBy={plan.get(card.id)}>
              <Menu
                label={`More for ${card.name}`}
                icon={<Ellipsis size={17} aria-hidden />}
                items={[
                  { label: "Edit", onSelect: () => setEditing(card) },
                  { label: "Copy", onSelect: () => tree.copySet(card) },
                  { label: "Delete", onSelect: () => tree.removeSet(card) },
                ]}
              />
              <IconButton
                label={`Move ${card.name} up`}
                disabled={i === 0}
                onClick={() => tree.orderSets(swap(ids, i, i - 1), ids)}
              >
                <ArrowUp size={15} aria-hidden />
              </IconButton>
              <IconButton
                label={`Move ${card.name} down`}
                disabled={i === ids.length - 1}
                onClick={() => tree.orderSets(swap(ids, i, i + 1), ids)}
              >
                <ArrowDown size={15} aria-hidden />
              </IconButton>
            </Card>
          </li>
        ))}
      </ul>
      {open && (
        <SetDialog
          set={open === "new" ? undefined : open}
          onClose={close}
          onSave={async (draft) => {
            const made = await tree.saveSet(draft, open === "new" ? undefined : open);
            if (made) void navigate(`/sets/${made}`);
          }}
        />
      )}
    </div>
  );
}

function Card({ card, doneBy, children }: { card: SetCard; doneBy: string | undefined; children: React.ReactNode }) {
  const f = card.facts;
  const share = f.steps > 0 ? f.done / f.steps : 0;
  return (
    <section aria-label={card.name} className="flex h-full flex-col rounded-lg border border-line bg-panel p-3">
      <div className="flex items-start gap-2">
        <h2 className="min-w-0 flex-1 pt-1 leading-tight font-semibold">
          <Link to={`/sets/${card.id}`} className="break-words hover:underline">
            {card.name}
          </Link>
          {f.copies > 0 && (
            <span className="ml-2 text-sm font-normal text-soft">
              {f.copies} {f.copies === 1 ? "piece" : "pieces"}, {area(f.areaMm2)}
            </span>
          )}
        </h2>
        <span className="flex shrink-0">{children}</span>
      </div>
      <Link
        to={f.largest ? `/piece/${f.largest.pieceId}/coats/${f.largest.zoneId}` : `/sets/${card.id}`}
        aria-label={f.largest ? `${f.largest.piece}: ${f.largest.zone}` : `Open ${card.name}`}
        className="my-2 flex min-h-29 items-stretch gap-2 rounded bg-swatch p-1.5 hover:outline-2 hover:outline-accent"
      >
        {f.sample.length > 0 &&
          (f.largest ? (
            <PiecePicture
              pieceId={f.largest.pieceId}
              w={156}
              h={104}
              mark={markOf([f.sample, f.looks])}
              meanwhile={<MiniCore strata={f.sample} large />}
            />
          ) : (
            <MiniCore strata={f.sample} large />
          ))}
        {[...(f.sample.length > 0 ? [lookOf(f.sample.at(-1)!)] : []), ...f.looks].slice(0, 4).map((look, i) => (
          <span key={i} aria-hidden className="grid min-w-0 flex-1 grid-cols-[2fr_3fr_2fr] overflow-hidden rounded-sm">
            {look.map((colour, at) => (
              <span key={at} style={{ background: colour }} />
            ))}
          </span>
        ))}
        {f.sample.length === 0 && (
          <span className="m-auto text-sm text-ink">
            {!card.current ? "" : f.pieces === 0 ? "No piece yet" : "No zone yet"}
          </span>
        )}
      </Link>
      <p className="flex items-baseline gap-2 text-sm">
        <span className="min-w-0 flex-1 truncate" title={f.next ?? undefined}>
          {!card.current ? "working it out…" : (f.next ?? (f.steps > 0 ? "done" : "no coats planned yet"))}
        </span>
        {f.steps > 0 && <span className="text-soft">{Math.floor(share * 100)} %</span>}
      </p>
      {f.steps > 0 && (
        <div
          role="progressbar"
          aria-label={`${card.name}: ${f.done} of ${f.steps} steps done`}
          aria-valuemin={0}
          aria-valuemax={f.steps}
          aria-valuenow={f.done}
          className="mt-1 h-1.5 overflow-hidden rounded-full bg-line"
        >
          <span className="block h-full bg-accent" style={{ width: `${share * 100}%` }} />
        </div>
      )}
      <p className="mt-1.5 flex min-h-5 flex-wrap gap-x-3 text-sm text-soft">
        <span>
          {doneBy}
          {card.readyBy && <span className="text-soft">, wanted by {day(card.readyBy)}</span>}
        </span>
        <span className="ml-auto flex gap-2 text-ink">
          <FoundCounts found={f.findings} from="risk" />
        </span>
      </p>
    </section>
  );
}

const lookOf = (s: SetCard["facts"]["sample"][number]) => [s.recess, s.face, s.edge];

/** When each set is done, by the plan over all of them. */
function useDoneBy(cards: SetCard[] | undefined): Map<string, string> {
  const open = (cards ?? []).reduce((n, c) => n + c.facts.steps - c.facts.done, 0);
  const done = useQuery({ ...queries.doneBy(), enabled: open > 0 });
  return new Map(done.data?.map((d) => [d.setId, d.doneOn ? `done ${day(d.doneOn)}` : "not in the plan"]));
}
