import type { Finding, HeightColour, Preview, ZonePage } from "../../api/types";
import { isUnlike, number, offWords } from "../../api/words";
import { countFound, FoundCounts } from "../../ui";
import { Elevations } from "./Elevations";

/** "clearly darker than the target"; what is the same only at arm's length is so "as the target". */
const offTarget = (off: number, words: string) =>
  isUnlike(off) ? `${words} than the target` : `${words} as the target`;

interface Props {
  page: ZonePage;
  preview: Preview | undefined;
  findings: Finding[];
  empty: boolean;
}

/** The painter's two questions at a glance: what will it look like, and will it hold? */
export function Verdict({ page, preview, findings, empty }: Props) {
  const top = preview ? (preview.strata.at(-1) ?? preview.substrate) : undefined;
  const off = top?.face.deTarget ?? undefined;
  const found = countFound(findings);
  const any = found.stops + found.risks + found.notes > 0;
  return (
    <div className="flex min-h-27 flex-wrap items-center gap-4 px-3 py-2">
      <div className="flex shrink-0 rounded bg-swatch p-1.5" data-testid="finished">
        <div className="flex min-h-18 min-w-45">
          {top && (
            <>
              <Finished label="Recess" colour={top.recess} />
              <Finished label="Face" colour={top.face} />
              <Finished label="Edge" colour={top.edge} />
            </>
          )}
        </div>
        {page.zone.target && (
          <div className="ml-2 w-15">
            <div className="h-14" style={{ background: page.zone.target }} title={page.zone.target} />
            <p className="mt-0.5 text-center text-xs text-ink">Target</p>
          </div>
        )}
      </div>
      <Elevations elevations={preview?.elevations} />
      <div className="min-w-48 flex-1" hidden={!preview && !empty}>
        <p>
          <span>
            <strong className="font-semibold">
              {empty
                ? "Bare so far"
                : off === undefined
                  ? "No target colour set"
                  : off <= page.zone.tolerance
                    ? `On target, ${preview?.off ?? ""}`
                    : `Ends ${offTarget(off, preview?.off ?? "")}`}
            </strong>
            {!empty && off !== undefined && (
              <span className="whitespace-nowrap text-soft">
                {" "}
                ({number(off)} of {number(page.zone.tolerance)} dE)
              </span>
            )}
          </span>
        </p>
        <p>
          <span className="flex min-h-5 items-center gap-3 text-sm font-semibold" data-testid="verdict">
            {any ? <FoundCounts found={found} size={16} /> : !empty && preview && "It will hold"}
          </span>
        </p>
        {top && !empty && (
          <p className="text-sm text-soft">
            Recess {offWords(top.shading, "the face")} ({number(top.shading)} dE, by hand {number(top.recess.deSpan)})
          </p>
        )}
        {page.neighbours.length > 0 && (
          <p className="flex items-center gap-x-3 overflow-hidden text-sm whitespace-nowrap text-soft">
            Touches
            {page.neighbours.map((n) => (
              <span key={n.id} className="inline-flex min-w-0 items-center gap-1">
                <span className="inline-flex shrink-0 overflow-hidden rounded-sm bg-swatch p-0.5">
                  {[n.recess, n.face, n.edge].map((c, i) => (
                    <span key={i} className="h-3 w-3" style={{ background: c }} />
                  ))}
                </span>
                <span className="truncate">{n.name}</span>
              </span>
            ))}
          </p>
        )}
      </div>
    </div>
  );
}

function Finished({ label, colour }: { label: string; colour: HeightColour }) {
  return (
    <div className="w-15" data-height={label.toLowerCase()} data-hex={colour.hex}>
      <div className="h-14" style={{ background: colour.hex }} title={colour.hex} />
      <p className="mt-0.5 text-center text-xs text-ink">{label}</p>
    </div>
  );
}
