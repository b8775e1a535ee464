import type { MendCase } from "../../api/types";
import { duration, number } from "../../api/words";
import { millilitres } from "../../api/units";
import { Button } from "../../ui";

type Offer = MendCase["offers"][number];

interface Props {
  data: MendCase;
  /** Why nothing can be taken up yet; empty where it can. */
  why: string;
  edits: string[];
  onEdits: (edits: string[]) => void;
  busy: boolean;
  onTake: (remedy: number | null) => void;
}

/** What to do on the copies that show it, the cheapest first, and what to change for those that come after. */
export function Remedies({ data, why, edits, onEdits, busy, onTake }: Props) {
  return (
    <>
      <section aria-label="What to do" className="rounded-lg border border-line bg-panel p-3">
        <h2 className="mb-2 font-semibold">What to do now</h2>
        {why && <p className="mb-2 border-l-4 border-risk pl-2 text-sm">{why}</p>}
        <ol className="flex flex-col gap-2" data-testid="offers">
          {data.offers.map((o) => (
            <Remedy key={o.remedy} offer={o} can={!why && !busy} onTake={() => onTake(o.remedy)} place={data.place} />
          ))}
        </ol>
        {data.strip && <p className="mt-2 text-sm text-soft">{data.strip}</p>}
        {data.offers.some((o) => o.cautions.length > 0) && <p className="mt-2 text-xs text-soft">{data.cautionNote}</p>}
      </section>
      {data.next.length > 0 && data.place && (
        <section aria-label="For the copies that come after" className="rounded-lg border border-line bg-panel p-3">
          <h2 className="font-semibold">
            For the {data.nextCopies === 1 ? "copy that comes" : `${data.nextCopies} copies that come`} after
          </h2>
          <p className="mb-1 text-xs text-soft">
            The plan of its coats changes with the remedy that you choose, or by itself.
          </p>
          {data.next.map((e) => (
            <label key={e.sign} className="flex min-h-8 items-start gap-2 py-1 text-sm">
              <input
                type="checkbox"
                className="mt-0.5 size-4 accent-(--accent)"
                checked={edits.includes(e.sign)}
                onChange={(c) => onEdits(c.target.checked ? [...edits, e.sign] : edits.filter((s) => s !== e.sign))}
              />
              <span>
                {e.words}
                <span className="block text-xs text-soft">{costs(e)}</span>
              </span>
            </label>
          ))}
          <Button className="mt-1" disabled={edits.length === 0 || busy || Boolean(why)} onClick={() => onTake(null)}>
            Change the plan alone
          </Button>
        </section>
      )}
    </>
  );
}

function costs(e: MendCase["next"][number]) {
  const parts = [
    Math.abs(e.handsOnMin) >= 0.5 && `${e.handsOnMin > 0 ? "+" : "−"}${duration(Math.abs(e.handsOnMin))} of work`,
    Math.abs(e.waitingMin) >= 1 && `${e.waitingMin > 0 ? "+" : "−"}${duration(Math.abs(e.waitingMin))} of waiting`,
    Math.abs(e.ml) >= 0.05 && `${e.ml > 0 ? "+" : "−"}${millilitres(Math.abs(e.ml))} of paint`,
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(", ") : "a reminder on the bench card; no more work";
}

function Remedy({ offer, can, onTake, place }: { offer: Offer; can: boolean; onTake: () => void; place: string }) {
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 rounded border border-line bg-raised p-2 text-sm">
      <div>
        <p className="font-semibold">{offer.does}</p>
        <p className="text-xs text-soft">
          {duration(offer.minutes)} a copy
          {offer.allMinutes > offer.minutes && `, ${duration(offer.allMinutes)} in all`}
          {offer.takes && `; takes ${offer.takes}`}
          {offer.ml >= 0.05 && ` (${millilitres(offer.ml)})`}
          {waits(offer) > 0 && `; then rests ${duration(waits(offer))}`}
        </p>
        {offer.steps.some((s) => s.paint) && (
          <ul className="mt-0.5 flex flex-wrap gap-x-3 text-xs">
            {offer.steps.map((s, i) => (
              <li key={i} className="flex items-center gap-1">
                {s.colour && (
                  <span aria-hidden className="size-3 rounded-sm border border-line" style={{ background: s.colour }} />
                )}
                {s.what} {s.paint}
                {s.paint && s.share < 1 && <span className="text-soft">on {number(s.share * 100, 0)} % of it</span>}
              </li>
            ))}
          </ul>
        )}
        {offer.missing && <p className="text-xs text-risk">Not on the shelf: {offer.missing}.</p>}
        {offer.risk && <p className="text-xs text-risk">{offer.risk}</p>}
        {offer.risks && <p className="text-xs text-soft">It may leave: {offer.risks}.</p>}
        {offer.cautions.map((c) => (
          <p key={c} className="mt-0.5 border-l-4 border-risk pl-2 text-xs">
            {c}
          </p>
        ))}
      </div>
      {place && (
        <Button className="self-start" disabled={!can} onClick={onTake}>
          Do this
        </Button>
      )}
    </li>
  );
}

const waits = (offer: Offer) => Math.max(0, ...offer.steps.map((s) => s.waitMin));
