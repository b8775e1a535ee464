import { useInfiniteQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { LogKind } from "../../api/types";
import { choices, logKindWord } from "../../api/words";
import { LogList } from "../../craft/LogList";
import { useChosen } from "../../craft/useChosen";
import { Button, Choice, Tabs, TextInput } from "../../ui";
import { Progress } from "./Progress";

const link =
  "inline-flex min-h-8 items-center rounded border border-strong bg-raised px-3 py-1 text-sm font-medium hover:bg-tint";

/** What was done, evening by evening, and how far every copy is. */
export function LogScreen() {
  const [tab, setTab] = useChosen("view");
  return (
    <div className="mx-auto w-full max-w-[1200px] p-2 sm:p-3">
      <section aria-label="Log" className="rounded-lg border border-line bg-panel">
        <h1 className="px-4 pt-3 text-lg font-semibold">Log</h1>
        <Tabs
          label="Log"
          value={tab === "progress" ? "progress" : "entries"}
          onChange={(v) => setTab(v === "progress" ? v : null)}
          tabs={[
            { value: "entries", label: "What was done", content: <Entries /> },
            { value: "progress", label: "How far it is", content: <Progress /> },
          ]}
        />
      </section>
    </div>
  );
}

/** Entries, the newest first; only ever added to. */
function Entries() {
  const [search, text, setText] = useFind();
  const [chosen] = useChosen("entry");
  const [wanted, setKind] = useChosen("kind");
  const kind = wanted && wanted in logKindWord ? (wanted as LogKind) : "all";
  const log = useInfiniteQuery(queries.log(search ?? "", kind === "all" ? undefined : kind));
  const entries = log.data?.pages.flat() ?? [];
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 border-b border-line p-2">
        <TextInput
          type="search"
          aria-label="Find in the log"
          placeholder="Piece, paint or words"
          className="max-w-64"
          maxLength={500}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <div className="w-40">
          <Choice<LogKind | "all">
            label="Kind"
            value={kind}
            options={[{ value: "all", label: "everything" }, ...choices(logKindWord)]}
            onChange={(v) => setKind(v === "all" ? null : v)}
          />
        </div>
        <span className="ml-auto flex gap-2">
          <a className={link} href="/api/log/log.csv">
            CSV
          </a>
          <a className={link} href="/api/log/log.json">
            JSON
          </a>
        </span>
      </div>
      {log.isError && (
        <p role="alert" className="p-4 text-sm text-stop">
          {wording(log.error)}
        </p>
      )}
      {log.data && entries.length === 0 && (
        <p className="p-6 text-center text-soft">
          {search || kind !== "all"
            ? "Nothing fits. Try fewer words."
            : "Nothing is written down yet. Mark a step done at the bench."}
        </p>
      )}
      {entries.length > 0 && <LogList entries={entries} chosen={chosen} />}
      {log.hasNextPage && (
        <div className="border-t border-line p-3 text-center">
          <Button disabled={log.isFetchingNextPage} onClick={() => void log.fetchNextPage()}>
            {log.isFetchingNextPage ? "Looking further back…" : "Further back"}
          </Button>
        </div>
      )}
    </>
  );
}

const settleMs = 200;

/** What is looked for, in the address a moment after it was typed; what the address says later is taken over. */
function useFind(): [string | null, string, (text: string) => void] {
  const [asked, ask] = useChosen("find");
  const [text, setText] = useState(asked ?? "");
  const sent = useRef(asked);
  useEffect(() => {
    if (asked !== sent.current) {
      sent.current = asked;
      setText(asked ?? "");
    }
  }, [asked]);
  useEffect(() => {
    if (text === (sent.current ?? "")) return;
    const timer = setTimeout(() => {
      sent.current = text || null;
      ask(sent.current);
    }, settleMs);
    return () => clearTimeout(timer);
  }, [text, ask]);
  return [asked, text, setText];
}
