import { useSortable } from "@dnd-kit/sortable";
import { Hourglass } from "lucide-react";
import type { Coat, Finding, Stratum } from "../../api/types";
import { number, takesThinner } from "../../api/words";
import { SeverityMark } from "../../ui";
import { type PaintNames, paintOf, titleOf } from "./names";
import { hurries, waitLine, waitMark } from "./waits";

interface Props {
  coat: Coat;
  index: number;
  first: boolean;
  stratum: Stratum | undefined;
  names: PaintNames;
  selected: boolean;
  findings: MarkedFinding[];
  above: MarkedFinding[];
  shown: MarkedFinding | null;
  onSelect: () => void;
  onFinding: (finding: MarkedFinding) => void;
}

/** What a mark in the core sample says and leads to: a finding of the stack, or of the whole piece. */
export type MarkedFinding = Pick<Finding, "severity" | "what" | "coatId" | "gap">;

/** Film is drawn to a compressed scale: ten times the film is 7 px more. */
const heightPx = (filmUm: number) => Math.round(31 + 7 * Math.log10(1 + filmUm));

export function StratumRow({
  coat,
  index,
  first,
  stratum,
  names,
  selected,
  findings,
  above,
  shown,
  onSelect,
  onFinding,
}: Props) {
  const sortable = useSortable({ id: coat.id });
  const paint = paintOf(coat, names);
  const waits = waitMark(stratum?.wait);
  const film = stratum ? Math.max(stratum.recess.filmUm, stratum.face.filmUm, stratum.edge.filmUm) : 0;
  const place = sortable.transform ? `translate3d(0, ${Math.round(sortable.transform.y)}px, 0)` : undefined;
  return (
    <div
      ref={sortable.setNodeRef}
      role="listitem"
      style={{
        height: heightPx(film),
        transform: place,
        transition: sortable.transition,
        zIndex: sortable.isDragging ? 10 : undefined,
      }}
      className={`relative grid core-columns items-stretch rounded-r ${selected ? "bg-tint" : "hover:bg-raised"} ${sortable.isDragging ? "opacity-80 shadow-lg" : ""}`}
    >
      <span className="flex items-center justify-center text-xs text-soft">{index + 1}</span>
      <div
        className={`grid grid-cols-3 overflow-hidden ${first ? "rounded-t-lg" : ""} ${coat.skipped ? "opacity-25" : ""}`}
        onClick={onSelect}
        {...sortable.listeners}
      >
        {stratum &&
          ([stratum.recess, stratum.face, stratum.edge] as const).map((c, i) => (
            <span key={i} className="relative" style={{ background: c.hex }} data-hex={c.hex}>
              {stratum.barrier && <span className="barrier-band absolute inset-0" />}
            </span>
          ))}
      </div>
      <span className="relative">
        {above.length > 0 && <Marks findings={above} shown={shown} onFinding={onFinding} place="-top-2" />}
        {findings.length > 0 && <Marks findings={findings} shown={shown} onFinding={onFinding} place="-bottom-2.5" />}
      </span>
      <button
        type="button"
        aria-current={selected}
        data-coat={coat.id}
        onClick={onSelect}
        className={`flex min-w-0 items-center gap-2 pr-2 text-left text-sm ${coat.skipped ? "text-soft line-through" : ""}`}
      >
        <span className="min-w-0 flex-1 leading-tight">
          <span className="block truncate font-semibold">{titleOf(coat, names)}</span>
          <span className="block truncate text-xs text-soft" title={paint.name}>
            {[
              coat.optional && "optional",
              coat.hurried && "warm air",
              coat.passes > 1 ? `${paint.name} × ${coat.passes}` : paint.name,
            ]
              .filter(Boolean)
              .join(", ")}
          </span>
        </span>
        <span className="ml-auto flex shrink-0 flex-col items-end text-xs leading-tight text-soft">
          {!coat.skipped && waits && (
            <span
              title={`Waits ${waitLine(stratum?.wait) ?? ""}`}
              className={`inline-flex items-center gap-0.5 ${hurries(stratum?.wait) ? "font-semibold text-risk" : ""}`}
            >
              <Hourglass size={11} aria-hidden />
              {waits}
            </span>
          )}
          {stratum?.mix && coat.paintFraction < 1 && takesThinner(coat.technique) && (
            <span title="Paint to thinner">
              {number(stratum.mix.paintParts)} : {number(stratum.mix.thinnerParts)}
            </span>
          )}
        </span>
      </button>
    </div>
  );
}

function Marks({
  findings,
  shown,
  onFinding,
  place,
}: {
  findings: MarkedFinding[];
  shown: MarkedFinding | null;
  onFinding: (f: MarkedFinding) => void;
  place: string;
}) {
  const worst = findings[0]!;
  const lit = findings.includes(shown!);
  return (
    <button
      type="button"
      title={findings.map((f) => f.what).join("\n")}
      aria-label={`${findings.length === 1 ? "Finding" : `${findings.length} findings`}: ${worst.what}`}
      onClick={() => onFinding(worst)}
      className={`absolute left-0.5 z-5 inline-flex size-6 items-center justify-center rounded-full border bg-raised ${place} ${lit ? "border-accent ring-2 ring-accent" : "border-line"}`}
    >
      <SeverityMark severity={worst.severity} size={14} silent />
    </button>
  );
}
