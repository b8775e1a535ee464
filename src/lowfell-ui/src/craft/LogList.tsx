import { ChevronDown, ChevronRight } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import { changed } from "../api/changes";
import { api, ask, wording } from "../api/client";
import type { LogEntry } from "../api/types";
import { date, temperature } from "../api/units";
import { duration, logKindWord, number, workedWithWord } from "../api/words";
import { Button, notify } from "../ui";
import { byEvening, type LogEvening, type LogLine, minutesOf, setUpOf } from "./byEvening";
import { type Entry, EntryDialog } from "./EntryDialog";
import { LoggedPicture } from "./PiecePicture";
import { logAction } from "./logAction";
import { ranges } from "./ranges";

interface Props {
  entries: LogEntry[];
  /** The entry that the address names: its line is open and in sight. */
  chosen?: string | null;
}

/** The log by evening and step; a line opens to its copies. */
export function LogList({ entries, chosen }: Props) {
  const evenings = useMemo(() => byEvening(entries), [entries]);
  const [anew, setAnew] = useState<LogEntry>();
  return (
    <div data-testid="log">
      {evenings.map((e) => (
        <Evening key={e.day} evening={e} chosen={chosen} onSayAnew={setAnew} />
      ))}
      {anew && (
        <EntryDialog
          kind={anew.kind === "problem" ? "problem" : "note"}
          title={`Correct: ${anew.label} ${anew.copy}`}
          start={{
            note: anew.note,
            cause: anew.cause,
            remedy: anew.remedy,
            who: anew.who,
            symptom: anew.symptom,
            causeKey: anew.causeKey,
          }}
          at={anew.kind === "problem" ? { zoneId: anew.zoneId, coatId: anew.coatId } : undefined}
          onClose={() => setAnew(undefined)}
          onWrite={(said) => void sayAnew(anew, { photoId: anew.photoId, ...said })}
        />
      )}
    </div>
  );
}

const dayAndYear = (day: string) =>
  date(`${day}T12:00:00Z`, { timeZone: "UTC", weekday: "long", day: "numeric", month: "long", year: "numeric" });

interface EveningProps {
  evening: LogEvening;
  chosen?: string | null;
  onSayAnew: (entry: LogEntry) => void;
}

function Evening({ evening, chosen, onSayAnew }: EveningProps) {
  const minutes = evening.lines.reduce((n, l) => n + minutesOf(l) + setUpOf(l), 0);
  const pictures = [...new Set(evening.lines.flatMap((l) => l.entries.flatMap((e) => (e.photoId ? [e.photoId] : []))))];
  return (
    <section aria-label={dayAndYear(evening.day)} className="border-b border-line last:border-b-0">
      <div className="flex flex-wrap items-baseline gap-x-3 bg-raised px-3 py-1.5">
        <h2 className="text-sm font-semibold">{dayAndYear(evening.day)}</h2>
        {minutes > 0 && <span className="text-xs text-soft">{duration(minutes)} written down</span>}
      </div>
      {pictures.length > 0 && (
        <div className="scroll-quiet flex gap-2 overflow-x-auto px-3 py-2">
          {pictures.map((id) => (
            <span key={id} className="flex shrink-0 items-stretch overflow-hidden rounded border border-line">
              <a href={`/api/photos/${id}`} target="_blank" rel="noreferrer" className="shrink-0">
                <img
                  src={`/api/photos/${id}/thumbnail`}
                  alt={`Picture of ${labelOf(evening, id)}`}
                  loading="lazy"
                  className="h-20"
                />
              </a>
              <Link
                to={`/zone/${entryOf(evening, id).zoneId}`}
                title={`${labelOf(evening, id)}, as planned`}
                className="flex items-center border-l border-line bg-swatch"
              >
                <LoggedPicture
                  entry={entryOf(evening, id)}
                  w={104}
                  h={72}
                  meanwhile={null}
                  alt={`${labelOf(evening, id)}, as planned`}
                />
              </Link>
            </span>
          ))}
        </div>
      )}
      <ul>
        {evening.lines.map((l) => (
          <Line key={l.id} line={l} chosen={l.entries.some((e) => e.id === chosen)} onSayAnew={onSayAnew} />
        ))}
      </ul>
    </section>
  );
}

const entryOf = (evening: LogEvening, photo: string) =>
  evening.lines.flatMap((l) => l.entries).find((e) => e.photoId === photo)!;

function labelOf(evening: LogEvening, photo: string) {
  const line = evening.lines.find((l) => l.entries.some((e) => e.photoId === photo))!;
  return `${line.entries[0]!.label} ${ranges(line.entries.map((e) => e.copy))}`;
}

interface LineProps {
  line: LogLine;
  chosen: boolean;
  onSayAnew: (entry: LogEntry) => void;
}

function Line({ line, chosen, onSayAnew }: LineProps) {
  const [toggled, setToggled] = useState<boolean>();
  const row = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (chosen) row.current?.scrollIntoView({ block: "center" });
  }, [chosen]);
  const open = toggled ?? chosen;
  const e = line.entries[0]!;
  const copies = line.entries.map((o) => o.copy);
  const minutes = minutesOf(line);
  const setUp = setUpOf(line);
  const what = `${logKindWord[e.kind]} ${e.paint}`.trim();
  return (
    <li ref={row} className={`border-t border-line px-3 py-1.5 text-sm ${chosen ? "bg-tint" : ""}`}>
      <div className="flex items-start gap-2">
        <button
          type="button"
          aria-expanded={open}
          aria-label={`Copies of ${what}, ${e.label}`}
          onClick={() => setToggled(!open)}
          className="mt-px inline-flex size-6 shrink-0 items-center justify-center rounded hover:bg-raised"
        >
          {open ? <ChevronDown size={15} aria-hidden /> : <ChevronRight size={15} aria-hidden />}
        </button>
        <span className="w-16 shrink-0 pt-0.5 whitespace-nowrap text-soft">
          {date(e.at, { hour: "2-digit", minute: "2-digit" })}
        </span>
        <span className="min-w-0 flex-1 pt-0.5">
          <span className={e.kind === "problem" ? "font-semibold text-risk" : "text-soft"}>{logKindWord[e.kind]}</span>{" "}
          <strong className="font-semibold">{e.paint}</strong>
          {e.pass > 1 && `, pass ${e.pass}`}{" "}
          <Link to={`/zone/${e.zoneId}`} className="hover:underline">
            {e.label}
          </Link>{" "}
          <strong>{ranges(copies)}</strong>
          <span className="text-soft">
            {minutes > 0 && `, ${number(minutes)} min`}
            {setUp > 0 && `, ${number(setUp)} min to set up`}
            {e.paintFraction != null && `, ${number(e.paintFraction * 100, 0)} % paint`}
            {e.who && `, ${e.who}`}
          </span>
          <span className={e.after ? "text-soft line-through" : ""}>
            <Said e={e} />
          </span>
          {e.after && (
            <span className="block text-soft">{e.after === "takenBack" ? "taken back" : "said anew, later"}</span>
          )}
          {e.ticks.length > 0 && (
            <span className="block text-soft">{e.ticks.map((t) => workedWithWord[t]).join(", ")}</span>
          )}
        </span>
      </div>
      {open && (
        <ul className="mt-1 ml-8" data-testid="copies-of-line">
          {line.entries.map((o) => (
            <li key={o.id} className="flex flex-wrap items-center gap-x-3 py-0.5">
              <span className="w-16">copy {o.copy}</span>
              <span className="text-soft">
                {date(o.at, { hour: "2-digit", minute: "2-digit" })}
                {(o.minutes ?? 0) > 0 && `, ${number(o.minutes!)} min`}, at {temperature(o.roomC)} and{" "}
                {number(o.roomHumidity * 100, 0)} %
              </span>
              {(o.kind === "problem" || o.kind === "note") && o.after !== "takenBack" && (
                <>
                  <Button look="quiet" className="!min-h-6 !py-0 !text-xs" onClick={() => void takeSaidBack(o)}>
                    Take back<span className="sr-only"> what was said of copy {o.copy}</span>
                  </Button>
                  <Button look="quiet" className="!min-h-6 !py-0 !text-xs" onClick={() => onSayAnew(o)}>
                    Say it anew<span className="sr-only"> for copy {o.copy}</span>
                  </Button>
                  {o.kind === "problem" && (
                    <Link to={mendAddress(o, copies)} className="inline-flex min-h-6 items-center text-xs underline">
                      What to do<span className="sr-only"> about copy {o.copy}</span>
                    </Link>
                  )}
                </>
              )}
              {(o.kind === "done" || o.kind === "skipped") && (
                <Button look="quiet" className="!min-h-6 !py-0 !text-xs" onClick={() => void takeBack([o])}>
                  Take back<span className="sr-only"> copy {o.copy}</span>
                </Button>
              )}
            </li>
          ))}
          {line.entries.length > 1 && (e.kind === "done" || e.kind === "skipped") && (
            <li>
              <Button look="quiet" className="!min-h-6 !px-0 !text-xs" onClick={() => void takeBack(line.entries)}>
                Take back all {line.entries.length}
              </Button>
            </li>
          )}
        </ul>
      )}
    </li>
  );
}

/** Where it is told what a problem comes from and what to do, on the copies that it was written down for. */
function mendAddress(e: LogEntry, copies: number[]) {
  const address = new URLSearchParams({ zone: e.zoneId, copies: copies.join(",") });
  if (e.coatId) address.set("coat", e.coatId);
  if (e.symptom) address.set("symptom", e.symptom);
  return `/bench/mend?${address}`;
}

async function takeBack(entries: LogEntry[]) {
  const e = entries[0]!;
  const copies = entries.map((o) => o.copy);
  try {
    await ask(api.POST("/api/log", { body: logAction(e, "takenBack", copies) }));
    await changed("log");
    notify(`${e.paint} on ${e.label} ${ranges(copies)} is open again.`);
  } catch (error) {
    notify(wording(error));
  }
}

async function takeSaidBack(e: LogEntry) {
  const about = { ...logAction({ zoneId: e.zoneId, pass: 1 }, "takenBack", [e.copy]), ofId: e.id };
  try {
    await ask(api.POST("/api/log", { body: about }));
    await changed("log");
    notify(`What was said of ${e.label} ${e.copy} is taken back.`);
  } catch (error) {
    notify(wording(error));
  }
}

async function sayAnew(e: LogEntry, said: Partial<Entry>) {
  try {
    const step = { zoneId: e.zoneId, coatId: e.coatId, partId: e.partId, pass: e.pass };
    await ask(api.POST("/api/log", { body: { ...logAction(step, e.kind, [e.copy], said), ofId: e.id } }));
    await changed("log");
  } catch (error) {
    notify(wording(error));
  }
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
          <span className="text-soft">Done differently:</span> {e.deviation}
        </span>
      )}
    </>
  );
}
