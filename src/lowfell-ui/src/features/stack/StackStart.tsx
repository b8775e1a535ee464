import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { Link, Navigate } from "react-router";
import { lastZoneKey } from "../../craft/lastZone";

/** The stack opens where it was open last, else on the first zone there is. */
export function StackStart() {
  const sets = useQuery(queries.sets());
  if (!sets.data) return <p className="p-6 text-soft">Opening…</p>;
  const zones = sets.data.flatMap((s) => s.pieces).flatMap((p) => p.zones);
  const kept = localStorage.getItem(lastZoneKey);
  const open = zones.find((z) => z.id === kept) ?? zones[0];
  if (open) return <Navigate to={`/stack/${open.id}`} replace />;
  return (
    <div className="mx-auto max-w-md p-10 text-center">
      <h1 className="mb-2 text-xl font-semibold">No zone to paint yet</h1>
      <p className="mb-4 text-soft">A stack belongs to a zone. Make a set with a piece and a zone first.</p>
      <Link to="/sets" className="font-semibold text-accent underline">
        Go to your sets
      </Link>
    </div>
  );
}
