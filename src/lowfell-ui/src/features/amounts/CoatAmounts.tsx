import { bounds } from "../../api/bounds";
import { ChevronDown, ChevronRight } from "lucide-react";
import { useState } from "react";
import type { CoatAmount } from "../../api/types";
import { money } from "../../api/units";
import { duration, number } from "../../api/words";
import { IconButton, NumberInput, percent } from "../../ui";

interface Props {
  coats: CoatAmount[];
  tonight: boolean;
  chosen: string[];
  onChoose: (coat: CoatAmount, on: boolean) => void;
  onDilute: (coat: CoatAmount, paintFraction: number) => void;
}

/** Mix for each coat of each scheme, with the way its figure came about. */
export function CoatAmounts({ coats, chosen, onChoose, onDilute }: Props) {
  const schemes = [...new Map(coats.map((c) => [c.schemeId, c.scheme]))];
  const [open, setOpen] = useState<string>();
  return (
    <section aria-label="Coats" className="rounded-lg border border-line bg-panel">
      <h2 className="border-b border-line px-3 py-2 font-semibold">
        Coat by coat{" "}
        <span className="text-sm font-normal text-soft">
          what is still to be laid, mixed lot by lot as the plan has it
        </span>
      </h2>
      {schemes.map(([id, name]) => (
        <div key={id} className="border-b border-line last:border-b-0">
          <h3 className="px-3 pt-2 text-sm font-semibold">{name}</h3>
          <ul>
            {coats
              .filter((c) => c.schemeId === id)
              .map((c) => {
                const at = `${c.schemeId} ${c.coatId}`;
                return (
                  <li key={at} className="px-3 py-1 text-sm">
                    <div className="grid grid-cols-[1.2rem_1.7rem_minmax(0,1fr)_5rem] items-center gap-1.5 sm:grid-cols-[1.2rem_1.7rem_minmax(0,1fr)_6.5rem_5rem_5.5rem]">
                      <input
                        type="checkbox"
                        aria-label={`${c.paint} tonight`}
                        className="size-4 accent-accent print:hidden"
                        checked={chosen.includes(at)}
                        onChange={(e) => onChoose(c, e.target.checked)}
                      />
                      <IconButton
                        label={`How the amount of ${c.paint} comes about`}
                        aria-expanded={open === at}
                        className="!size-6 print:hidden"
                        onClick={() => setOpen(open === at ? undefined : at)}
                      >
                        {open === at ? <ChevronDown size={15} aria-hidden /> : <ChevronRight size={15} aria-hidden />}
                      </IconButton>
                      <span className="truncate" title={`${c.title}, ${c.paint}`}>
                        <span className="text-soft">{c.title}</span> {c.paint}
                      </span>
                      <NumberInput
                        className="max-sm:hidden"
                        label={`Paint in the mix of ${c.paint}, percent`}
                        value={Math.round(c.paintFraction * 1000) / 10}
                        bound={percent(bounds.DilutionTrial.paintFraction)}
                        unit="% paint"
                        onChange={(v) => onDilute(c, v / 100)}
                      />
                      <span className="text-right font-semibold">{number(c.totalMl, 2)} ml</span>
                      <span className="text-right text-soft max-sm:hidden">
                        {c.batches > 1 ? `${c.batches} × ${number(c.batchMl, 1)} ml` : "one mix"}
                      </span>
                    </div>
                    {open === at && <Terms coat={c} />}
                  </li>
                );
              })}
          </ul>
        </div>
      ))}
    </section>
  );
}

/** Each term of the amount, with its unit. */
function Terms({ coat: c }: { coat: CoatAmount }) {
  return (
    <dl
      className="my-1 ml-10 grid grid-cols-[minmax(0,1fr)_7rem] gap-x-4 gap-y-0.5 rounded bg-raised p-2 text-sm"
      data-testid="terms"
    >
      <Term
        what={`${number(c.areaCm2)} cm² over ${c.copies} ${c.copies === 1 ? "copy" : "copies"}${c.zones > 1 ? ` and ${c.zones} zones` : ""} × ${number(c.meanWetUm, 2)} µm wet, with its coverage${c.passes > 1 ? `, in ${c.passes} passes` : ""}`}
        ml={c.onPieceMl}
      />
      <Term what="left in brush, sponge or the air on the way" ml={c.transferMl} />
      <Term
        what={`left behind in ${c.batches === 1 ? "the mix" : `${c.batches} mixes`}: ${duration(c.minutes)} of work${c.setUpMin >= 1 ? ` and ${duration(c.setUpMin)} of setting up` : ""}${c.paletteMin > 0 ? `, workable for ${duration(c.paletteMin)}` : ""}`}
        ml={c.lossMl}
      />
      <dt className="border-t border-line pt-0.5 font-semibold">
        {number(c.paintMl, 2)} ml paint + {number(c.thinnerMl, 2)} ml thinner
      </dt>
      <dd className="border-t border-line pt-0.5 text-right font-semibold">{number(c.totalMl, 2)} ml</dd>
      {c.reserveMl >= 0.01 && <Term what="kept beside it for slips along borders and under marks" ml={c.reserveMl} />}
      {c.cost >= 0.01 && (
        <>
          <dt className="text-soft">what its paint costs, as far as prices are known</dt>
          <dd className="text-right">{money(c.cost)}</dd>
        </>
      )}
    </dl>
  );
}

function Term({ what, ml }: { what: string; ml: number }) {
  return (
    <>
      <dt className="text-soft">{what}</dt>
      <dd className="text-right">{number(ml, 2)} ml</dd>
    </>
  );
}
