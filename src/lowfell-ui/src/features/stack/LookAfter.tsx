import type { Preview } from "../../api/types";
import { offFigure } from "../../api/words";

interface Props {
  /** After the selected coat; the bare ground where none is. */
  stratum: Preview["substrate"];
  place: string;
  /** Wanted in the recess, on face and edge, where that is told. */
  targets: (string | null | undefined)[];
}

/** The look after the selected coat beside the one that is wanted, as large as there is room. */
export function LookAfter({ stratum, place, targets }: Props) {
  const heights = [
    ["recess", stratum.recess],
    ["face", stratum.face],
    ["edge", stratum.edge],
  ] as const;
  return (
    <figure className="px-4 pb-4" data-testid="look-after">
      <figcaption className="pb-1 text-xs text-soft">{place}</figcaption>
      <div className="rounded bg-swatch p-2">
        <div className="grid grid-cols-3">
          {heights.map(([name, c]) => (
            <span key={name} className="text-center text-xs text-ink">
              <span className="block h-36" style={{ background: c.hex }} title={c.hex} />
              {name}
            </span>
          ))}
        </div>
        {targets.some(Boolean) && (
          <>
            <div className="mt-2 grid grid-cols-3">
              {targets.map((t, i) => (
                <span key={i} className="block h-14" style={{ background: t ?? undefined }} title={t ?? undefined} />
              ))}
            </div>
            <p className="text-center text-xs text-ink">
              wanted{stratum.face.deTarget != null && `; the face is ${offFigure(stratum.face.deTarget)}`}
            </p>
          </>
        )}
      </div>
    </figure>
  );
}
