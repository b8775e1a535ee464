import { Split } from "lucide-react";
import type { Tray } from "../../api/types";
import { millilitres } from "../../api/units";
import { number } from "../../api/words";
import { Button } from "../../ui";
import { Grounds } from "./Grounds";
import type { TrayHands } from "./useTray";

interface Props {
  tray: Tray;
  hands: TrayHands;
  pair: [number, number] | undefined;
  onPair: (pair: [number, number] | undefined) => void;
  onChoose: (copy: number) => void;
}

const asked = 0.25;

/** The tray as a whole: whether its bases differ and yet belong, what stands out, what it takes. */
export function TrayPanel({ tray, hands, pair, onPair, onChoose }: Props) {
  const alike = tray.differences.filter((d) => d.judged !== "different").toSorted((a, b) => a.distance - b.distance);
  const marked = tray.bases.filter((b) => b.marks.length > 0 || b.elements.some((e) => e.fault));
  const laid = tray.bases.filter((b) => b.elements.length > 0);
  const resemblance = Math.min(...laid.map((b) => b.resemblance));
  const shown = pair ? tray.differences.filter((d) => d.a === pair[0] && d.b === pair[1]) : alike.slice(0, 6);
  return (
    <section aria-label="The tray" className="rounded-lg border border-line bg-panel p-3 text-sm">
      <h2 className="text-base font-semibold">
        The tray <span className="font-normal text-soft">{tray.family}</span>
      </h2>
      {laid.length === 0 ? (
        <p className="mt-1 text-soft">
          Nothing lies on it yet. Roll the tray; then lock what you like, and roll the rest again.
        </p>
      ) : (
        <>
          {typeof tray.leastDifference === "number" && (
            <Meter
              label="They differ"
              value={tray.leastDifference}
              from={asked}
              said={`least ${number(tray.leastDifference, 2)}, mean ${number(tray.meanDifference ?? 0, 2)} of 1`}
            />
          )}
          <Meter label="They belong" value={resemblance} from={0.75} said={`least ${number(resemblance, 2)} of 1`} />
          {shown.length > 0 && (
            <ul className="mt-2 border-t border-line pt-2">
              {shown.map((d) => (
                <li key={`${d.a} ${d.b}`} className="flex items-center gap-2 py-0.5">
                  <span className="min-w-0 flex-1">
                    {d.a} and {d.b}{" "}
                    {d.judged === "nearCopy" ? "are near copies" : d.judged === "alike" ? "are alike" : "differ"} (
                    {number(d.distance, 2)})
                  </span>
                  <Button
                    disabled={hands.busy}
                    onClick={() => {
                      onPair(undefined);
                      void hands.rollAnew({ copies: [d.b], awayFrom: d.a, rolls: 24 });
                    }}
                  >
                    <Split size={14} aria-hidden /> Less alike
                  </Button>
                </li>
              ))}
            </ul>
          )}
          {marked.length > 0 && (
            <ul className="mt-2 border-t border-line pt-2">
              {marked.map((b) => (
                <li key={b.copy} className="py-0.5">
                  <button
                    type="button"
                    className="text-left text-risk hover:underline"
                    onClick={() => onChoose(b.copy)}
                  >
                    Base {b.copy}: {[...b.marks, ...b.elements.filter((e) => e.fault).map((e) => e.fault)].join("; ")}
                  </button>
                </li>
              ))}
            </ul>
          )}
          <Grounds tray={tray} />
          <Takes takes={tray.takes} />
        </>
      )}
    </section>
  );
}

function Meter({ label, value, from, said }: { label: string; value: number; from: number; said: string }) {
  const good = value >= from;
  return (
    <div className="mt-2 grid grid-cols-[5.5rem_1fr] items-center gap-x-2">
      <span>{label}</span>
      <div
        role="meter"
        aria-label={`${label}: ${said}`}
        aria-valuemin={0}
        aria-valuemax={1}
        aria-valuenow={value}
        className="relative h-2.5 rounded bg-ground"
      >
        <div className={`h-full rounded ${good ? "bg-accent" : "bg-risk"}`} style={{ width: `${100 * value}%` }} />
        <div className="absolute inset-y-[-2px] w-px bg-ink" style={{ left: `${100 * from}%` }} />
      </div>
      <span className={`col-start-2 text-xs ${good ? "text-soft" : "font-semibold text-risk"}`}>{said}</span>
    </div>
  );
}

/** What bases take, line by line. */
export function Takes({ takes }: { takes: Tray["takes"] }) {
  const lines: [string, string, number][] = [
    ["Paste", millilitres(takes.pasteMl), takes.pasteMl],
    ["Crackle paste", millilitres(takes.crackleMl), takes.crackleMl],
    ["Coarse grit", `${number(takes.coarseG, 1)} g`, takes.coarseG],
    ["Fine grit", `${number(takes.fineG, 1)} g`, takes.fineG],
    ["Fine sand", `${number(takes.sandG, 1)} g`, takes.sandG],
    ["PVA under the grit", millilitres(takes.pvaMl), takes.pvaMl],
    ["Thinned glue on it", millilitres(takes.sealMl), takes.sealMl],
    ["Super glue", `${number(takes.superGlueDrops, 0)} drops`, takes.superGlueDrops],
  ];
  return (
    <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 border-t border-line pt-2" data-testid="takes">
      {lines
        .filter(([, , amount]) => amount > 0)
        .map(([label, text]) => (
          <div key={label} className="contents">
            <dt className="text-soft">{label}</dt>
            <dd className="text-right tabular-nums">{text}</dd>
          </div>
        ))}
    </dl>
  );
}
