import { dateLanguage } from "../api/units";
import { bounds } from "../api/bounds";
import { queries } from "../api/queries";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Problem, wording } from "../api/client";
import { newId } from "../api/newId";
import { Link } from "react-router";
import type { LogAction, Symptom } from "../api/types";
import { number } from "../api/words";
import { Button, Choice, Dialog, Field, NumberInput, TextInput, percent } from "../ui";
import { useDraft } from "./useDraft";
import { isPicture, keepPhoto, rememberWho, whoPaints } from "./logAction";

/** What a painter writes down beside the step itself. */
export type Entry = Pick<
  LogAction,
  | "who"
  | "deviation"
  | "cause"
  | "remedy"
  | "note"
  | "photoId"
  | "paintFraction"
  | "mixRecordId"
  | "symptom"
  | "causeKey"
>;

interface Props {
  kind: "problem" | "note" | "otherwise";
  title: string;
  /** Share of paint as planned; none where nothing is thinned. */
  planned?: number | null;
  /** What it begins with, where something is said anew. */
  start?: Partial<Entry>;
  /** Where it is seen, so that what fits there can be chosen from the list of symptoms; left out where that is not asked. */
  at?: { zoneId: string; coatId?: string | null };
  /** What usually goes wrong, to be ticked. */
  faults?: string[];
  /** Copies that there are, those done too; left out where nothing is to be chosen. */
  copies?: number[];
  /** Those that it is about, unless the painter says otherwise. */
  chosen?: number[];
  onClose: () => void;
  /** The picture goes along where it is to wait with the action; else it is kept before, and the entry names it. */
  onWrite: (entry: Partial<Entry>, copies: number[], picture?: File) => void;
  pictureWaits?: boolean;
}

const area = "w-full rounded border border-strong bg-raised p-2 text-base";

/** What went wrong with its cause and remedy, a remark, or what was done otherwise than planned; with a picture. */
export function EntryDialog({
  kind,
  title,
  planned,
  start,
  at,
  faults = [],
  copies = [],
  chosen = [],
  onClose,
  onWrite,
  pictureWaits = false,
}: Props) {
  const [entry, setEntry, forget] = useDraft<Partial<Entry>>(`${kind} ${title}`, start ?? { who: whoPaints() });
  const [about, setAbout] = useState(chosen);
  const [file, setFile] = useState<File>();
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const set = (part: Partial<Entry>) => setEntry({ ...entry, ...part });
  const said = [entry.note, entry.deviation, entry.cause, entry.remedy].some((t) => t?.trim());
  const note = entry.note ?? "";
  const ready =
    kind !== "otherwise" && copies.length > 0 && about.length === 0
      ? false
      : kind === "otherwise"
        ? said || entry.paintFraction != null || entry.mixRecordId != null
        : Boolean(entry.note?.trim()) || (kind === "note" && file !== undefined);
  async function write() {
    setBusy(true);
    try {
      if (file && !(await isPicture(file)))
        throw new Problem(400, "Send a PNG or a JPEG: this is no picture.", {}, null);
      rememberWho(entry.who ?? "");
      const photoId = file && (pictureWaits ? newId() : await keepPhoto(file));
      if (pictureWaits && file) onWrite({ ...entry, photoId }, about, file);
      else onWrite({ ...entry, photoId }, about);
      forget();
      onClose();
    } catch (error) {
      setFault(wording(error));
    } finally {
      setBusy(false);
    }
  }
  return (
    <Dialog open title={title} onClose={onClose}>
      <div className="flex flex-col gap-3">
        {kind === "problem" && faults.length > 0 && (
          <fieldset>
            <legend className="mb-1 text-xs font-semibold text-soft">Usual faults</legend>
            <div className="flex flex-wrap gap-2">
              {faults.map((f) => (
                <Tick
                  key={f}
                  label={f.replace(/\.$/, "")}
                  on={note.includes(f)}
                  onChange={(on) =>
                    set({ note: on ? `${note.trim()} ${f}`.trim() : note.replace(f, "").replace(/\s+/g, " ").trim() })
                  }
                />
              ))}
            </div>
          </fieldset>
        )}
        {kind !== "otherwise" && copies.length > 1 && (
          <fieldset>
            <legend className="mb-1 text-xs font-semibold text-soft">On which copies</legend>
            <div className="scroll-quiet flex max-h-32 flex-wrap gap-1 overflow-y-auto">
              {copies.map((c) => (
                <Tick
                  key={c}
                  label={String(c)}
                  on={about.includes(c)}
                  onChange={(on) => setAbout(on ? [...about, c].sort((a, b) => a - b) : about.filter((o) => o !== c))}
                />
              ))}
            </div>
          </fieldset>
        )}
        {kind === "problem" && at && <Seen at={at} entry={entry} onChange={set} copies={about} />}
        {kind !== "otherwise" && (
          <Words
            label={kind === "problem" ? "What went wrong?" : "What is to be remembered?"}
            value={entry.note}
            onChange={(note) => set({ note })}
          />
        )}
        {kind === "problem" && (
          <>
            <Words label="Why?" value={entry.cause} onChange={(cause) => set({ cause })} />
            <Words label="What mended it?" value={entry.remedy} onChange={(remedy) => set({ remedy })} />
          </>
        )}
        {kind === "otherwise" && <Otherwise entry={entry} planned={planned} onChange={set} />}
        <div className="grid grid-cols-2 gap-3">
          <Field label="Who">
            {(id) => (
              <TextInput
                id={id}
                {...bounds.LogAction.who}
                value={entry.who ?? ""}
                onChange={(e) => set({ who: e.target.value })}
              />
            )}
          </Field>
          {kind !== "otherwise" && (
            <Field label="Picture" hint="PNG or JPEG up to 10 MB; where it was taken is left out">
              {(id, d) => (
                <input
                  id={id}
                  aria-describedby={d}
                  type="file"
                  accept="image/png,image/jpeg"
                  className="w-full text-sm file:mr-3 file:min-h-8 file:rounded file:border file:border-strong file:bg-raised file:px-3"
                  onChange={(e) => {
                    setFault(undefined);
                    setFile(e.target.files?.[0]);
                  }}
                />
              )}
            </Field>
          )}
        </div>
        {fault && (
          <p role="alert" className="text-sm font-semibold text-stop">
            {fault} Leave the picture out, or choose another; the words are still here.
          </p>
        )}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Back</Button>
          <Button
            look="main"

            disabled={!ready || busy}
            onClick={() => void write()}
          >
            Write it down
          </Button>
        </div>
      </div>
    </Dialog>
  );
}

function Tick({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={() => onChange(!on)}
      className="min-h-9 min-w-9 rounded border border-strong px-2 text-sm aria-pressed:border-accent aria-pressed:bg-accent aria-pressed:text-on-accent"
    >
      {label}
    </button>
  );
}

function Words({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string | undefined;
  onChange: (v: string) => void;
}) {
  return (
    <Field label={label}>
      {(id) => (
        <textarea
          id={id}
          rows={2}
          {...bounds.LogAction.note}
          className={area}
          value={value ?? ""}
          onChange={(e) => onChange(e.target.value)}
        />
      )}
    </Field>
  );
}

interface SeenProps {
  at: { zoneId: string; coatId?: string | null };
  entry: Partial<Entry>;
  copies: number[];
  onChange: (part: Partial<Entry>) => void;
}

const none = "none";

/** What is seen, from the list; then which cause it was and which remedy was taken, where that is known, and a way to what to do. */
function Seen({ at, entry, copies, onChange }: SeenProps) {
  const symptoms = useQuery(queries.symptoms(at.zoneId));
  if (!symptoms.data) return null;
  const chosen = symptoms.data.find((s) => s.key === entry.symptom);
  const address = new URLSearchParams({ zone: at.zoneId });
  if (at.coatId) address.set("coat", at.coatId);
  if (copies.length > 0) address.set("copies", copies.join(","));
  if (chosen) address.set("symptom", chosen.key);
  return (
    <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
      <Field label="What do you see?">
        {(id) => (
          <Choice
            id={id}
            label="What do you see?"
            value={chosen?.key ?? none}
            options={[
              { value: none, label: "something else" },
              ...[...symptoms.data]
                .sort((a, b) => Number(b.fits) - Number(a.fits))
                .map((s) => ({ value: s.key, label: `${s.name}: ${s.sees}` })),
            ]}
            onChange={(key) => {
              const s = symptoms.data.find((o) => o.key === key);
              // Words that the list has put there go with it; the painter's own stay.
              const own = entry.note && entry.note !== seenWords(chosen);
              onChange({ symptom: s?.key ?? "", causeKey: "", note: own ? entry.note : s ? seenWords(s) : "" });
            }}
          />
        )}
      </Field>
      <p className="self-end text-sm">
        <Link to={`/bench/mend?${address}`} className="inline-flex min-h-8 items-center font-semibold underline">
          What it comes from, and what to do
        </Link>
      </p>
      {chosen && (
        <>
          <Field label="It was">
            {(id) => (
              <Choice
                id={id}
                label="It was"
                value={entry.causeKey || none}
                options={[
                  { value: none, label: "not known" },
                  ...chosen.causes.map((c) => ({ value: c.key, label: c.word })),
                ]}
                onChange={(key) =>
                  onChange({
                    causeKey: key === none ? "" : key,
                    cause: chosen.causes.find((c) => c.key === key)?.word ?? "",
                  })
                }
              />
            )}
          </Field>
          <Field label="Mended by">
            {(id) => (
              <Choice
                id={id}
                label="Mended by"
                value={chosen.remedies.includes(entry.remedy ?? "") ? entry.remedy! : none}
                options={[
                  { value: none, label: "nothing yet, or something else" },
                  ...chosen.remedies.map((r) => ({ value: r, label: r })),
                ]}
                onChange={(r) => onChange({ remedy: r === none ? "" : r })}
              />
            )}
          </Field>
        </>
      )}
    </div>
  );
}

const seenWords = (s: Symptom | undefined) => (s ? `${s.name}: ${s.sees}.` : "");

interface OtherwiseProps {
  entry: Partial<Entry>;
  planned: number | null | undefined;
  onChange: (part: Partial<Entry>) => void;
}

/** The dilution as it was laid on, the recorded mix, and what else was different. */
function Otherwise({ entry, planned, onChange }: OtherwiseProps) {
  const mixes = useQuery(queries.mixRecords());
  return (
    <>
      <Words label="What was different?" value={entry.deviation} onChange={(deviation) => onChange({ deviation })} />
      <div className="grid grid-cols-2 gap-3">
        <Field label={`Paint in it, %${planned != null ? ` (planned ${number(planned * 100, 0)})` : ""}`}>
          {(id) => (
            <NumberInput
              id={id}
              value={entry.paintFraction != null ? Math.round(entry.paintFraction * 100) : null}
              bound={percent(bounds.LogAction.paintFraction)}
              unit="%"
              onChange={(v) => onChange({ paintFraction: v / 100 })}
              onEmpty={() => onChange({ paintFraction: undefined })}
            />
          )}
        </Field>
        <Field label="From a mix that was made">
          {(id) => (
            <Choice
              id={id}
              label="From a mix that was made"
              value={entry.mixRecordId ?? "none"}
              options={[
                { value: "none", label: "none" },
                ...(mixes.data ?? []).map((m) => ({
                  value: m.id,
                  label: `${m.name}, ${new Date(m.madeAt).toLocaleDateString(dateLanguage(), { day: "numeric", month: "short" })}`,
                })),
              ]}
              onChange={(v) => onChange({ mixRecordId: v === "none" ? undefined : v })}
            />
          )}
        </Field>
      </div>
    </>
  );
}
