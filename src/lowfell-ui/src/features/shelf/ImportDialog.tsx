import { changed } from "../../api/changes";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useRef, useState } from "react";
import { sendFile, wording } from "../../api/client";
import type { ImportResult, ImportRow } from "../../api/types";
import { Button, Choice, Chip, Dialog, notify, TextInput, Toggle } from "../../ui";

type Duplicates = "skip" | "update" | "rename";
const verdicts: Record<ImportRow["verdict"], string> = {
  new: "new",
  bottle: "another bottle",
  duplicate: "on the shelf already",
  refused: "can't be taken",
};

/** A CSV is read and told row by row before anything is kept. */
export function ImportDialog({ onClose }: { onClose: () => void }) {
  const [file, setFile] = useState<File>();
  const [rows, setRows] = useState<ImportRow[]>();
  const [duplicates, setDuplicates] = useState<Duplicates>("skip");
  const [leaveOut, setLeaveOut] = useState(false);
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const count = (verdict: ImportRow["verdict"]) => rows?.filter((r) => r.verdict === verdict).length ?? 0;
  async function run(work: () => Promise<void>) {
    setBusy(true);
    try {
      await work();
      setFault(undefined);
    } catch (error) {
      setFault(wording(error));
    }
    setBusy(false);
  }
  const check = (chosen: File) =>
    run(async () => {
      setFile(chosen);
      setRows(undefined);
      setRows(await sendFile<ImportRow[]>("/api/shelf/check", chosen, "text/csv"));
    });
  const bring = () =>
    run(async () => {
      const done = await sendFile<ImportResult>(
        `/api/shelf/import?duplicates=${duplicates}&leaveOut=${leaveOut}`,
        file!,
        "text/csv",
      );
      await changed("shelf", "bottles");
      notify(
        `${done.added} added, ${done.updated} changed, ${done.skipped} left as they were, ${done.bottles} bottles${done.refused ? `, ${done.refused} rows left out` : ""}.`,
      );
      onClose();
    });
  return (
    <Dialog
      open
      wide
      title="Bring in a CSV"
      description="A line for each bottle; name, family and colour are needed. Nothing is kept before you say so."
      onClose={onClose}
    >
      <TextInput
        type="file"
        accept=".csv,text/csv"
        aria-label="CSV file"
        onChange={(e) => e.target.files?.[0] && void check(e.target.files[0])}
      />
      {fault && (
        <p role="alert" className="mt-3 text-sm font-semibold text-stop">
          {fault}
        </p>
      )}
      {rows && (
        <>
          <p className="mt-3 text-sm" data-testid="import-summary">
            <strong>{rows.length}</strong> {rows.length === 1 ? "row" : "rows"}: {count("new")} new, {count("bottle")}{" "}
            more bottles, {count("duplicate")} on the shelf already, {count("refused")} that can’t be taken.
          </p>
          <Report rows={rows} />
          <div className="mt-3 flex flex-wrap items-end gap-4">
            {count("duplicate") > 0 && (
              <div className="w-72">
                <Choice<Duplicates>
                  label="Those on the shelf already"
                  value={duplicates}
                  options={[
                    { value: "skip", label: "Leave the shelf as it is" },
                    { value: "update", label: "Take the file’s figures" },
                    { value: "rename", label: "Bring in under another name" },
                  ]}
                  onChange={setDuplicates}
                />
              </div>
            )}
            {count("refused") > 0 && (
              <Toggle label="Leave out the rows with faults" checked={leaveOut} onChange={setLeaveOut} />
            )}
            <Button
              look="main"
              className="ml-auto"
              disabled={busy || (count("refused") > 0 && !leaveOut)}
              onClick={() => void bring()}
            >
              Put on the shelf
            </Button>
          </div>
        </>
      )}
    </Dialog>
  );
}

function Report({ rows }: { rows: ImportRow[] }) {
  const scroll = useRef<HTMLDivElement>(null);
  const order = [...rows].sort((a, b) => Number(b.verdict === "refused") - Number(a.verdict === "refused"));
  const view = useVirtualizer({
    count: order.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => 36,
    measureElement: (el) => el.getBoundingClientRect().height,
    initialRect: { width: 700, height: 320 },
  });
  return (
    <div
      ref={scroll}
      tabIndex={0}
      role="region"
      aria-label="Rows"
      className="mt-2 h-72 overflow-y-auto rounded border border-line"
    >
      <ul className="relative text-sm" style={{ height: view.getTotalSize() }}>
        {view.getVirtualItems().map((item) => {
          const row = order[item.index]!;
          return (
            <li
              key={row.line}
              ref={view.measureElement}
              data-index={item.index}
              className="absolute inset-x-0 grid grid-cols-[4rem_3.2rem_minmax(0,1fr)_10rem] items-center gap-2 border-b border-line px-2 py-1"
              style={{ top: item.start }}
            >
              <span className="text-soft">line {row.line}</span>
              <Chip colour={row.colour ?? undefined} className="h-4 w-8" />
              <span className="min-w-0">
                <span className="block truncate">{row.name}</span>
                {Object.entries((row.faults ?? {}) as Record<string, string>).map(([field, message]) => (
                  <span key={field} className="block text-xs font-semibold text-stop">
                    {field}: {message}
                  </span>
                ))}
              </span>
              <span className={row.verdict === "refused" ? "font-semibold text-stop" : ""}>
                {verdicts[row.verdict]}
              </span>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
