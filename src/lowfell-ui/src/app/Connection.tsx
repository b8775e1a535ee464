import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { api, ask, Problem, queryClient } from "../api/client";

/** Watches the host while something is amiss, says so on top of every screen, and takes up again by itself. */
export function Connection() {
  const health = useQuery({
    queryKey: ["health"],
    queryFn: () => ask(api.GET("/api/health")),
    retry: false,
    refetchInterval: (query) => (query.state.status === "error" ? 2_000 : 15_000),
  });
  const wasAway = useRef(false);
  useEffect(() => {
    if (health.isError) wasAway.current = true;
    else if (health.isSuccess && wasAway.current) {
      wasAway.current = false;
      void queryClient.invalidateQueries({ predicate: (q) => q.queryKey[0] !== "health" });
    }
  }, [health.isError, health.isSuccess]);
  if (!health.isError) return null;
  const away = health.error instanceof Problem && health.error.status === 503;
  return (
    <div role="alert" className="border-b border-line bg-tint px-4 py-2 text-sm">
      <strong>{away ? "The database is away." : "Lowfell does not answer."}</strong> What you change stays on this
      screen and is sent again when it is back. Nothing is lost.
    </div>
  );
}

/** Asks for health at once, after a call found nobody there. */
export function suspectConnection() {
  void queryClient.invalidateQueries({ queryKey: ["health"] });
}
