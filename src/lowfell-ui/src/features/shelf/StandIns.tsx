import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { wording } from "../../api/client";
import type { Material } from "../../api/types";
import { familyFacts, number, offFigure, offWords } from "../../api/words";
import { Chip, Failed } from "../../ui";

/** What could stand in, judged by the finished zones rather than by the swatch. */
export function StandIns({ material }: { material: Material }) {
  const found = useQuery(queries.standIns(material));
  if (found.isError) return <Failed why={wording(found.error)} onAgain={() => void found.refetch()} />;
  if (!found.data)
    return <p className="p-4 text-sm text-soft">Trying every {familyFacts(material.material.family).word}…</p>;
  if (found.data.stacks === 0)
    return (
      <p className="p-4 text-sm text-soft">
        No stack uses {material.material.name}, so there is nothing to judge a stand-in by. Put it in a coat first.
      </p>
    );
  if (found.data.items.length === 0)
    return (
      <p className="p-4 text-sm text-soft">
        There is no other {familyFacts(material.material.family).word} on the shelf.
      </p>
    );
  return (
    <div className="p-4 text-sm" data-testid="stand-ins">
      <p className="mb-2 text-soft">
        Tried in the {found.data.stacks === 1 ? "one stack" : `${found.data.stacks} stacks`} that use it. The difference
        is that of the finished zone, washes and all.
      </p>
      <ul>
        {found.data.items.map((s) => (
          <li key={s.materialId} className="grid grid-cols-[3.4rem_minmax(0,1fr)_auto] items-center gap-2 py-1.5">
            <Chip colour={[material.facts.colour, s.colour]} title="swatch of this, and of the stand-in" />
            <span className="min-w-0">
              <span className="block truncate font-semibold">{s.name}</span>
              <span className="block truncate text-xs text-soft">
                worst in {s.worstIn}: {offFigure(s.worstDeltaE)}
              </span>
            </span>
            <span className="text-right">
              <span className="block font-semibold">{offWords(s.meanDeltaE)}</span>
              <span className="block text-xs text-soft">
                {number(s.meanDeltaE)} dE, {number(s.leftMl)} ml left
              </span>
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
