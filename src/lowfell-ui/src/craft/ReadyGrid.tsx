import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { wording } from "../api/client";
import { queries } from "../api/queries";
import { Failed } from "../ui";
import { ThreeHeights } from "./ThreeHeights";

/** The ready schemes by their looks, as long as nothing else is to be shown; a press begins with one. */
export function ReadyGrid() {
  const ready = useQuery(queries.ready());
  if (ready.isError) return <Failed why={wording(ready.error)} onAgain={() => void ready.refetch()} />;
  return (
    <ul className="grid grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-2" aria-label="Ready schemes">
      {(ready.data ?? []).map((r) => (
        <li key={r.name}>
          <Link
            to={`/begin?scheme=${encodeURIComponent(r.name)}`}
            className="block h-full rounded-lg border border-line bg-panel p-2 hover:border-accent"
          >
            <span className="block rounded bg-swatch p-1.5">
              <ThreeHeights of={r.look} className="h-12" />
            </span>
            <h3 className="mt-1 text-sm font-semibold">{r.name}</h3>
            <p className="text-xs text-soft">{r.about}</p>
          </Link>
        </li>
      ))}
    </ul>
  );
}
