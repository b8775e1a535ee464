import { useQuery } from "@tanstack/react-query";
import { FileUp } from "lucide-react";
import { useRef, useState } from "react";
import { bounds } from "../api/bounds";
import { wording } from "../api/client";
import { queries } from "../api/queries";
import type { PaintColumn, PastedPaints } from "../api/types";
import { choices, familyWord, number, paintColumnWord } from "../api/words";
import { Button, Chip, Choice } from "../ui";
import { columnsFor, rememberColumns, rememberedColumns } from "./paintColumns";

interface Props {
  id?: string;
  described?: string;
  text: string;
  columns: PaintColumn[];
  onChange: (text: string, columns: PaintColumn[]) => void;
}

/** Where paints are pasted or a table of them is dropped. */
export function PaintText({ id, described, text, columns, onChange }: Props) {
  const file = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const take = async (chosen: File | undefined) => {
    if (chosen) onChange(await chosen.text(), rememberedColumns(await chosen.text()) ?? []);
  };
  return (
    <div>
      <textarea
        id={id}
        aria-label={id ? undefined : "Your paints"}
        aria-describedby={described}
        rows={5}
        maxLength={bounds.PaintPaste.text.maxLength}
        placeholder={"Lampblack\nRope tan\nBrown wash\nMatt varnish"}
        className={`w-full rounded border bg-raised p-2 font-mono text-sm ${over ? "border-accent" : "border-strong"}`}
        value={text}
        onChange={(e) => onChange(e.target.value, columnsFor(e.target.value, text, columns))}
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(e) => {
          if (e.dataTransfer.files.length === 0) return;
          e.preventDefault();
          setOver(false);
          void take(e.dataTransfer.files[0]);
        }}
      />
      <input
        ref={file}
        type="file"
        accept=".csv,.tsv,.txt,text/csv,text/plain"
        aria-label="File with paints"
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
      <Button look="quiet" className="px-1" onClick={() => file.current?.click()}>
        <FileUp size={15} aria-hidden /> Choose a file
      </Button>
    </div>
  );
}

/** What was read of a table: its columns, to be set by hand, and its rows, what is wrong first. */
export function PaintRows({
  text,
  read,
  onColumns,
}: {
  text: string;
  read: PastedPaints;
  onColumns: (columns: PaintColumn[]) => void;
}) {
  const wrong = read.rows.filter((r) => r.fault != null);
  const order = [...wrong, ...read.rows.filter((r) => r.fault == null)];
  if (read.rows.length === 0) return null;
  return (
    <div className="flex flex-col gap-2" data-testid="paint-rows">
      {read.columns.length > 1 && (
        <table className="w-full table-fixed text-sm">
          <thead>
            <tr>
              {read.columns.map((column, i) => (
                <th key={i} className="pr-1 pb-1 font-normal">
                  <Choice
                    label={`Column ${i + 1}${read.headings[i] ? `, ${read.headings[i]}` : ""}`}
                    value={column}
                    options={choices(paintColumnWord)}
                    onChange={(next) => {
                      // What was told of another column moves here.
                      const all = read.columns.map((c, at) => (at === i ? next : c === next ? "none" : c));
                      rememberColumns(text, all);
                      onColumns(all);
                    }}
                  />
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="text-soft">
            {read.sample.slice(0, 2).map((row, at) => (
              <tr key={at}>
                {read.columns.map((_, i) => (
                  <td key={i} className="truncate pr-1">
                    {row[i]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <ul className="max-h-44 overflow-y-auto rounded border border-line text-sm" tabIndex={0} aria-label="Paints read">
        {order.slice(0, 200).map((r) => (
          <li
            key={r.line}
            className="grid grid-cols-[2.6rem_minmax(0,1fr)_auto] items-center gap-2 border-b border-line px-2 py-0.5"
          >
            <Chip colour={r.colour ?? undefined} className="h-4 w-7" />
            <span className="min-w-0">
              <span className="block truncate">{r.name || `row ${r.line}`}</span>
              {r.fault != null && (
                <span className="block text-xs font-semibold text-stop">
                  Row {r.line}: {r.fault}
                </span>
              )}
            </span>
            <span className="text-right text-xs text-soft">
              {r.onShelf
                ? "on the shelf already"
                : r.fault == null &&
                  `${familyWord[r.family]}${r.leftMl == null ? "" : `, ${number(r.leftMl)} ml`}${r.guessed ? "?" : ""}`}
            </span>
          </li>
        ))}
        {order.length > 200 && <li className="px-2 py-1 text-soft">and {order.length - 200} more</li>}
      </ul>
    </div>
  );
}

/** Forty plain paints to tick. */
export function StarterTicks({ ticked, onChange }: { ticked: string[]; onChange: (ticked: string[]) => void }) {
  const starter = useQuery(queries.starter());
  if (starter.isError) return <p className="text-sm text-stop">{wording(starter.error)}</p>;
  const free = (starter.data ?? []).filter((p) => !p.onShelf);
  const all = free.length > 0 && free.every((p) => ticked.includes(p.id));
  return (
    <div data-testid="starter">
      <Button look="quiet" className="px-1" onClick={() => onChange(all ? [] : free.map((p) => p.id))}>
        {all ? "Tick none" : `Tick all ${free.length}`}
      </Button>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))] gap-x-2">
        {(starter.data ?? []).map((p) => (
          <li key={p.id}>
            <label className="flex min-h-7 items-center gap-1.5 text-sm">
              <input
                type="checkbox"
                className="size-4 shrink-0 accent-accent"
                disabled={p.onShelf}
                checked={p.onShelf || ticked.includes(p.id)}
                onChange={(e) => onChange(e.target.checked ? [...ticked, p.id] : ticked.filter((t) => t !== p.id))}
              />
              <Chip colour={p.colour} className="h-3.5 w-5" />
              <span className="truncate" title={familyWord[p.family]}>
                {p.name}
              </span>
            </label>
          </li>
        ))}
      </ul>
    </div>
  );
}
