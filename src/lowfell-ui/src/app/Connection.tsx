import { allChanged } from "../api/changes";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Problem } from "../api/client";
import { queries, suspectConnection } from "../api/queries";
import { waitingTaps } from "../craft/outbox";
import { Button } from "../ui";

const trouble: Record<string, string> = {
  databaseAway: "The database is away.",
  migrating: "Lowfell is bringing its database up to date.",
};

const answerMs = 2_000;

/** Whether a worker is of the build that this page is of already: it was loaded anew before the worker was let go on. */
async function isOfThisPage(worker: ServiceWorker): Promise<boolean> {
  const { port1, port2 } = new MessageChannel();
  const files = await new Promise<string[]>((said) => {
    port1.onmessage = (e: MessageEvent<string[]>) => said(e.data);
    setTimeout(() => said([]), answerMs);
    worker.postMessage("files", [port2]);
  });
  port1.close();
  return files.includes(new URL(import.meta.url).pathname);
}

/** A newer page that waits for the painter to say so. */
function useNewerPage(): boolean {
  const [waits, setWaits] = useState(false);
  useEffect(() => {
    const workers = navigator.serviceWorker;
    const left = new AbortController();
    const { signal } = left;
    // A page that is older than a worker stays so until it is loaded anew.
    const judge = async (worker: ServiceWorker | null) => {
      if (worker && workers.controller && !(await isOfThisPage(worker)) && !signal.aborted) setWaits(true);
    };
    void workers?.getRegistration().then((registration) => {
      if (signal.aborted || !registration) return;
      void judge(registration.waiting);
      const coming = () =>
        registration.installing?.addEventListener("statechange", () => void judge(registration.waiting), { signal });
      registration.addEventListener("updatefound", coming, { signal });
      // Another tab has let it take over.
      workers.addEventListener("controllerchange", () => void judge(workers.controller), { signal });
    });
    return () => left.abort();
  }, []);
  return waits;
}

async function loadAnew() {
  const registration = await navigator.serviceWorker?.getRegistration();
  // Where the host alone told of it the browser has not looked yet: else the page that is loaded would ask once more.
  await registration?.update().catch(() => undefined);
  const newer = registration?.waiting ?? registration?.installing;
  if (!newer) return location.reload();
  navigator.serviceWorker.addEventListener("controllerchange", () => location.reload(), { once: true });
  const go = () => {
    if (newer.state === "installed") newer.postMessage("take over");
    if (newer.state === "redundant") location.reload();
  };
  newer.addEventListener("statechange", go);
  go();
}

/** What waits for the host is sent from any screen. */
async function sendTaps() {
  if ((await waitingTaps()) > 0) await (await import("../features/bench/queue")).benchQueue.flush();
}

/** Watches the host while something is amiss, says so on top of every screen, and takes up again by itself. */
export function Connection() {
  const health = useQuery(queries.health());
  const wasAway = useRef(false);
  useEffect(() => {
    if (health.isError) wasAway.current = true;
    else if (health.isSuccess && wasAway.current) {
      wasAway.current = false;
      void allChanged();
      void sendTaps();
    }
  }, [health.isError, health.isSuccess]);
  useEffect(() => {
    void sendTaps();
    const events = ["online", "offline"] as const;
    for (const event of events) window.addEventListener(event, suspectConnection);
    return () => events.forEach((event) => window.removeEventListener(event, suspectConnection));
  }, []);
  const newer = useNewerPage();
  const first = useRef<string>(undefined);
  first.current ??= health.data?.version;
  const other = health.data && health.data.version !== first.current ? health.data.version : undefined;
  if (!health.isError && (newer || other))
    return (
      <div role="alert" className="flex items-center gap-3 border-b border-line bg-tint px-4 py-2 text-sm">
        <span>
          <strong>{other ? `Lowfell is ${other} now.` : "A newer Lowfell is here."}</strong> This page is still{" "}
          {other ? first.current : "the one before"}: load it anew; what you have changed is kept.
        </span>
        <Button onClick={() => void loadAnew()}>Load anew</Button>
      </div>
    );
  if (!health.isError) return null;
  const code = health.error instanceof Problem ? health.error.code : undefined;
  return (
    <div role="alert" className="border-b border-line bg-tint px-4 py-2 text-sm">
      <strong>{trouble[code ?? ""] ?? (navigator.onLine ? "Lowfell does not answer." : "You are offline.")}</strong>{" "}
      What you change stays on this screen and is sent again when it is back; what you have not looked at lately opens
      then. Nothing is lost.
    </div>
  );
}
