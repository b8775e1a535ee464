import { useQuery } from "@tanstack/react-query";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { Coat, Schools, ZonePage } from "../../api/types";
import { number, techniqueWord } from "../../api/words";
import { Button, Chip } from "../../ui";

interface Props {
  page: ZonePage;
  schools: Schools;
  coats: Coat[];
  onTake: (coats: Coat[]) => void;
}

/** The primers that are owned, ranked for what this zone is to look like. */
export function Primers({ page, schools, coats, onTake }: Props) {
  const primers = useQuery(queries.primers(page.zone, coats, schools));
  if (primers.isError) return <p className="text-sm text-stop">{wording(primers.error)}</p>;
  if (!primers.data) return <p className="text-sm text-soft">Working it out…</p>;
  if (primers.data.length === 0)
    return <p className="text-sm text-soft">No primer on the shelf can go under these coats with your tools.</p>;
  return (
    <div className="text-sm" data-testid="primers">
      <p className="mb-1 text-soft">Which primer? The best for this look first:</p>
      <ul className="flex flex-col gap-1.5">
        {primers.data.map((p) => (
          <li key={p.materialId} className="flex items-center gap-2">
            <Chip colour={p.hex} className="h-5 w-6" />
            <Chip colour={p.look} className="h-5 w-12" title="finished: recess, face, edge" />
            <span className="min-w-0 flex-1">
              <span className="block font-semibold">
                {p.name} <span className="font-normal text-soft">{techniqueWord[p.technique].toLowerCase()}</span>
              </span>
              <span className="block text-xs text-soft">
                {p.passes > 12 ? "over 12 passes" : p.passes === 1 ? "1 pass covers" : `${p.passes} passes cover`},{" "}
                {number(p.minutes, 0)} min in all. {p.says}.
              </span>
            </span>
            {p.isNow ? (
              <span className="text-xs text-soft">as planned</span>
            ) : (
              <Button onClick={() => onTake(p.coats)}>Use</Button>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
