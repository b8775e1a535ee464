import { queries } from "../../api/queries";
import { changed } from "../../api/changes";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { LogEntry, LogKind } from "../../api/types";
import { choices, logKindWord, number } from "../../api/words";
import { Button, Choice, notify, Tabs, TextInput } from "../../ui";
import { logAction } from "../../craft/logAction";
import { Progress } from "./Progress";

const link =
  "inline-flex min-h-8 items-center rounded border border-strong bg-raised px-3 py-1 text-sm font-medium hover:bg-tint";

/** What was done, copy by copy, and how far every copy is. */
export function LogScreen() {
  const [tab, setTab] = useState<"entries" | "progress">("entries");
  return (
    <div className="mx-auto w-full max-w-[1200px] p-3">
      <section aria-label="Log" className="rounded-lg border border-line bg-panel">
        <h1 className="px-4 pt-3 text-lg font-semibold">Log</h1>
        <Tabs
          label="Log"
          value={tab}
          onChange={setTab}
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
  const [search, setSearch] = useState("");
  const [kind, setKind] = useState<LogKind | "all">("all");
  const log = useQuery(queries.log(search, kind === "all" ? undefined : kind));
  async function takeBack(e: LogEntry) {
    try {
      await ask(
        api.POST("/api/log", {
          body: logAction(e, "takenBack", [e.copy]),
        }),
      );
      await changed("log");
      notify(`${e.paint} on ${e.label} ${e.copy} is open again.`);
    } catch (error) {
      notify(wording(error));
    }
  }
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 border-b border-line p-2">
        <TextInput
          type="search"
          aria-label="Find in the log"
          placeholder="Piece, paint or words"
          className="max-w-64"
          value={search}
          onChange={(e) => setSearch(e.target.value)}
        />
        <div className="w-40">
          <Choice<LogKind | "all">
            label="Kind"
            value={kind}
            options={[{ value: "all", label: "everything" }, ...choices(logKindWord)]}
            onChange={setKind}
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
      {log.data?.length === 0 && (
        <p className="p-6 text-center text-soft">
          {search || kind !== "all"
            ? "Nothing fits. Try fewer words."
            : "Nothing is written down yet. Mark a step done under Evenings."}
        </p>
      )}
      {log.data && log.data.length > 0 && (
        <table className="w-full text-sm" data-testid="log">
          <thead className="text-left text-xs text-soft">
            <tr>
              <th className="py-1 pl-3 font-semibold">When</th>
              <th className="font-semibold">Copy</th>
              <th className="font-semibold">What</th>
              <th className="font-semibold">Room</th>
              <th className="pr-3" />
            </tr>
          </thead>
          <tbody>
            {log.data.map((e) => (
              <tr key={e.id} className="border-t border-line align-top">
                <td className="py-1 pl-3 whitespace-nowrap">
                  {new Date(e.at).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" })}
                </td>
                <td className="py-1 pr-2">
                  {e.label} <strong>{e.copy}</strong>
                </td>
                <td className="py-1 pr-2">
                  <span className={e.kind === "problem" ? "font-semibold text-risk" : "text-soft"}>
                    {logKindWord[e.kind]}
                  </span>{" "}
                  {e.paint}
                  {e.pass > 1 && `, pass ${e.pass}`}
                  {(e.minutes ?? 0) > 0 && <span className="text-soft">, {number(e.minutes!)} min</span>}
                  {e.paintFraction != null && (
                    <span className="text-soft">, {number(e.paintFraction * 100, 0)} % paint</span>
                  )}
                  {(e.setUpMinutes ?? 0) > 0 && (
                    <span className="text-soft">, {number(e.setUpMinutes!)} min to set up</span>
                  )}
                  {e.who && <span className="text-soft">, {e.who}</span>}
                  <Said e={e} />
                </td>
                <td className="py-1 whitespace-nowrap text-soft">
                  {number(e.roomC)} °C, {number(e.roomHumidity * 100, 0)} %
                </td>
                <td className="pr-3 text-right whitespace-nowrap">
                  {(e.kind === "done" || e.kind === "skipped") && (
                    <Button look="quiet" className="!min-h-6 !py-0 !text-xs" onClick={() => void takeBack(e)}>
                      Take back
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

/** What was written beside an entry. */
function Said({ e }: { e: LogEntry }) {
  return (
    <>
      {e.notice && <span className="block text-risk">{e.notice}</span>}
      {e.note && <span className="block">{e.note}</span>}
      {e.cause && (
        <span className="block">
          <span className="text-soft">Why:</span> {e.cause}
        </span>
      )}
      {e.remedy && (
        <span className="block">
          <span className="text-soft">Mended by:</span> {e.remedy}
        </span>
      )}
      {e.deviation && (
        <span className="block">
          <span className="text-soft">Otherwise:</span> {e.deviation}
        </span>
      )}
      {e.photoId && (
        <a href={`/api/photos/${e.photoId}`} target="_blank" rel="noreferrer" className="mt-1 block w-fit">
          <img
            src={`/api/photos/${e.photoId}/thumbnail`}
            alt={`Picture of ${e.label} ${e.copy}`}
            loading="lazy"
            className="max-h-24 rounded border border-line"
          />
        </a>
      )}
    </>
  );
}
