import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import { date, millilitres } from "../../api/units";
import { Chip, Failed } from "../../ui";

/** Every mix that was made, the latest first: what is left of it and where the rest went. */
export function MadeScreen() {
  const records = useQuery(queries.mixRecords());
  const mixes = useQuery(queries.mixes());
  if (records.isError) return <Failed why={wording(records.error)} onAgain={() => void records.refetch()} />;
  if (!records.data || !mixes.data) return <p className="p-6 text-soft">Looking for what was mixed…</p>;
  const recipes = new Set(mixes.data.map((m) => m.id));
  const latest = records.data.toSorted((a, b) => b.madeAt.localeCompare(a.madeAt));
  return (
    <div className="mx-auto w-full max-w-[1200px] p-3">
      <section aria-label="Made" className="rounded-lg border border-line bg-panel">
        <h1 className="px-4 py-2 text-lg font-semibold">Made</h1>
        {latest.length === 0 && (
          <p className="p-4 text-sm text-soft">
            Nothing was mixed yet. Open a{" "}
            <Link to="/shelf/mixes" className="underline">
              recipe
            </Link>{" "}
            and write down what you make of it: then it can be made again.
          </p>
        )}
        <ul>
          {latest.map((r) => (
            <li
              key={r.id}
              className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line px-4 py-2 text-sm"
            >
              <Chip colour={r.colour} />
              <span className="min-w-40 flex-1">
                {r.mixId && recipes.has(r.mixId) ? (
                  <Link to={`/shelf/mixes?mix=${r.mixId}&view=made`} className="font-semibold hover:underline">
                    {r.name}
                  </Link>
                ) : (
                  <span className="font-semibold">{r.name}</span>
                )}
                {r.note && <span className="block text-xs text-soft">{r.note}</span>}
              </span>
              <span className="text-soft">{date(r.madeAt, { dateStyle: "medium" })}</span>
              <span className="w-40 text-right">
                {r.leftMl > 0
                  ? `${millilitres(r.leftMl, 2)} left of ${millilitres(r.madeMl, 2)}`
                  : `${millilitres(r.madeMl, 2)}, used up`}
              </span>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
