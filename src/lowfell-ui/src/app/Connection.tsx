import { allChanged } from "../api/changes";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { Problem } from "../api/client";
import { queries } from "../api/queries";
import { Button } from "../ui";

const trouble: Record<string, string> = {
  databaseAway: "The database is away.",
  migrating: "Lowfell is bringing its database up to date.",
};

/** Watches the host while something is amiss, says so on top of every screen, and takes up again by itself. */
export function Connection() {
  const health = useQuery(queries.health());
  const wasAway = useRef(false);
  useEffect(() => {
    if (health.isError) wasAway.current = true;
    else if (health.isSuccess && wasAway.current) {
      wasAway.current = false;
      void allChanged();
    }
  }, [health.isError, health.isSuccess]);
  const first = useRef<string>(undefined);
  first.current ??= health.data?.version;
  if (!health.isError && health.data && health.data.version !== first.current)
    return (
      <div role="alert" className="flex items-center gap-3 border-b border-line bg-tint px-4 py-2 text-sm">
        <span>
          <strong>Lowfell is {health.data.version} now.</strong> This page is still {first.current}: load it anew; what
          you have changed is kept.
        </span>
        <Button onClick={() => location.reload()}>Load anew</Button>
      </div>
    );
  if (!health.isError) return null;
  const code = health.error instanceof Problem ? health.error.code : undefined;
  return (
    <div role="alert" className="border-b border-line bg-tint px-4 py-2 text-sm">
      <strong>{trouble[code ?? ""] ?? "Lowfell does not answer."}</strong> What you change stays on this screen and is
      sent again when it is back. Nothing is lost.
    </div>
  );
}
