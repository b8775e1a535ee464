import { useQuery } from "@tanstack/react-query";
import { wording } from "../api/client";
import { queries } from "../api/queries";
import type { Coat, Preview, SampleStratum, ZonePage } from "../api/types";
import { millilitres } from "../api/units";
import { duration, offFigure } from "../api/words";
import { countFound, FoundCounts } from "../ui";
import { MiniCore } from "./MiniCore";

interface Side {
  label: string;
  coats: Coat[];
}

/** Two stacks of one zone side by side: how they look, what they cost, and what the rules find. */
export function Compare({ zone, left, right }: { zone: ZonePage; left: Side; right: Side }) {
  return (
    <div className="grid grid-cols-2 gap-3" data-testid="compare">
      <Stack zone={zone} side={left} />
      <Stack zone={zone} side={right} />
    </div>
  );
}

function Stack({ zone, side }: { zone: ZonePage; side: Side }) {
  const preview = useQuery(queries.preview(zone.zone, side.coats, zone.schools));
  const cost = useQuery(queries.cost(zone.zone, side.coats, zone.schools));
  const top = preview.data && (preview.data.strata.at(-1) ?? preview.data.substrate);
  const off = top?.face.deTarget;
  return (
    <section aria-label={side.label} className="min-w-0 rounded border border-line bg-raised p-2 text-sm">
      <h3 className="mb-1 font-semibold">{side.label}</h3>
      {preview.isError && (
        <p role="alert" className="text-stop">
          {wording(preview.error)}
        </p>
      )}
      {preview.data && top && (
        <>
          <div className="flex items-stretch gap-2 rounded bg-swatch p-1.5">
            <MiniCore strata={sampleOf(preview.data, side.coats)} large />
            <span
              className="grid min-h-24 flex-1 grid-cols-[2fr_3fr_2fr] overflow-hidden rounded-sm"
              title="recess, face, edge"
            >
              {[top.recess, top.face, top.edge].map((c, i) => (
                <span key={i} style={{ background: c.hex }} data-hex={c.hex} />
              ))}
            </span>
          </div>
          <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-3">
            {off != null && <Row what="From the target" is={offFigure(off)} />}
            {cost.data && (
              <>
                <Row what="Coats" is={String(cost.data.coats)} />
                <Row what="At work" is={duration(cost.data.minutes)} />
                <Row what="Waits" is={duration(cost.data.waitHours * 60)} />
                <Row what="Paint, thinner" is={millilitres(cost.data.ml)} />
              </>
            )}
            <dt className="text-soft">Found</dt>
            <dd>
              <Found preview={preview.data} />
            </dd>
          </dl>
        </>
      )}
    </section>
  );
}

function Row({ what, is }: { what: string; is: string }) {
  return (
    <>
      <dt className="text-soft">{what}</dt>
      <dd>{is}</dd>
    </>
  );
}

function Found({ preview }: { preview: Preview }) {
  const speaking = preview.findings.filter((f) => f.rests == null);
  return speaking.length === 0 ? (
    "nothing"
  ) : (
    <span className="flex flex-wrap gap-x-2" title={speaking.map((f) => f.what).join("\n")}>
      <FoundCounts found={countFound(speaking)} />
    </span>
  );
}

/** The strata of a stack as its small core sample shows them; skipped coats are not in it. */
export function sampleOf(preview: Preview, coats: Coat[]): SampleStratum[] {
  const laid = new Set(coats.filter((c) => !c.skipped).map((c) => c.id));
  const one = (s: Preview["substrate"], barrier: boolean): SampleStratum => ({
    recess: s.recess.hex,
    face: s.face.hex,
    edge: s.edge.hex,
    barrier,
  });
  return [
    one(preview.substrate, false),
    ...preview.strata.filter((s) => s.coatId != null && laid.has(s.coatId)).map((s) => one(s, s.barrier)),
  ];
}
