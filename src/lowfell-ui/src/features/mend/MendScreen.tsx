import { useMutation, useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { newId } from "../../api/newId";
import { queries } from "../../api/queries";
import type { CaseQuestion, MendCase } from "../../api/types";
import { whoPaints } from "../../craft/logAction";
import { useChosen } from "../../craft/useChosen";
import { useDraft } from "../../craft/useDraft";
import { Button, Choice, Failed, Field, notify, TextInput } from "../../ui";
import { Causes, Questions } from "./Causes";
import { Remedies } from "./Remedies";
import { SymptomDrawing, Symptoms } from "./Symptoms";
import { takeBack, Taken } from "./Taken";

/** What went wrong on a piece, and what to do. */
export function PieceMend() {
  const { pieceId = "" } = useParams();
  const page = useQuery(queries.piece(pieceId));
  const [params, setParams] = useSearchParams();
  const zone = params.get("zone");
  // Copies and coats of one zone are nothing of the next; what is seen may be.
  const setZone = (id: string) => {
    const symptom = params.get("symptom");
    setParams(symptom ? { zone: id, symptom } : { zone: id }, { replace: true });
  };
  if (!page.data) return <p className="p-6 text-soft">Opening the piece…</p>;
  const zones = page.data.piece.zones;
  const zoneId = zones.some((z) => z.id === zone) ? zone! : zones[0]?.id;
  return (
    <div className="flex min-w-0 flex-1 flex-col gap-3">
      {!params.get("symptom") && <Taken pieceId={pieceId} />}
      {zoneId ? (
        <Mend key={zoneId} zoneId={zoneId}>
          {zones.length > 1 && (
            <Field label="Where" className="w-48">
              {(id) => (
                <Choice
                  id={id}
                  label="Where"
                  value={zoneId}
                  options={zones.map((z) => ({ value: z.id, label: z.settings.name }))}
                  onChange={setZone}
                />
              )}
            </Field>
          )}
        </Mend>
      ) : (
        <Mend />
      )}
      {params.get("symptom") && <Taken pieceId={pieceId} />}
    </div>
  );
}

/** What went wrong, by itself or on the zone that the address names. */
export function MendScreen() {
  const [zone] = useChosen("zone");
  return (
    <div className="mx-auto flex w-full max-w-[1500px] flex-1 flex-col gap-3 p-2 lg:p-3">
      <Mend key={zone ?? ""} zoneId={zone ?? undefined} />
    </div>
  );
}

const numbers = (text: string | null) =>
  text
    ? text
        .split(",")
        .map(Number)
        .filter((n) => n > 0)
    : [];

function Mend({ zoneId, children }: { zoneId?: string; children?: React.ReactNode }) {
  const [symptom, setSymptom] = useChosen("symptom");
  const [coat, setCoat] = useChosen("coat");
  const [copyText, setCopyText] = useChosen("copies");
  const symptoms = useQuery(queries.symptoms(zoneId));
  const copies = numbers(copyText);
  if (symptoms.error) return <Failed why={wording(symptoms.error)} onAgain={() => void symptoms.refetch()} />;
  if (!symptoms.data) return <p className="p-6 text-soft">Opening the list…</p>;
  const chosen = symptoms.data.find((s) => s.key === symptom);
  if (!chosen)
    return (
      <section aria-label="What do you see?" className="rounded-lg border border-line bg-panel p-3">
        <div className="mb-2 flex flex-wrap items-end gap-3">
          <h1 className="mr-2 text-lg font-semibold">What do you see?</h1>
          {children}
          {!zoneId && (
            <p className="text-sm text-soft">
              Without a piece this tells what is usual. From a piece, its log or the bench card it goes by that very
              stack.
            </p>
          )}
        </div>
        <Symptoms symptoms={symptoms.data} onChoose={setSymptom} />
      </section>
    );
  return (
    <Case
      key={chosen.key}
      question={{ symptom: chosen.key, zoneId, coatId: coat ?? undefined, copies }}
      onCoat={setCoat}
      onCopies={(c) => setCopyText(c.length > 0 ? c.join(",") : null)}
      onElse={() => setSymptom(null)}
    >
      {children}
    </Case>
  );
}

interface CaseProps {
  question: CaseQuestion & { copies: number[] };
  onCoat: (id: string | null) => void;
  onCopies: (copies: number[]) => void;
  onElse: () => void;
  children?: React.ReactNode;
}

/** What was said of a case and is not taken up yet: it outlives a reload. */
interface Said {
  answers: Record<number, boolean>;
  told: Record<string, boolean>;
  passed: number[];
  note: string;
}

const unsaid: Said = { answers: {}, told: {}, passed: [], note: "" };

function Case({ question, onCoat, onCopies, onElse, children }: CaseProps) {
  const [said, setSaid, forget] = useDraft<Said>(`mend ${question.zoneId ?? ""} ${question.symptom}`, unsaid);
  const { answers, told, passed, note } = said;
  const [edits, setEdits] = useState<string[]>();
  // Pressed again after an answer that never came, it is the same mend.
  const [id, setId] = useState(newId);
  const asked = useMemo<CaseQuestion>(
    () => ({
      ...question,
      answers: Object.entries(answers).map(([q, yes]) => ({ question: Number(q), yes })),
      told: Object.entries(told).map(([sign, yes]) => ({
        sign: sign as NonNullable<CaseQuestion["told"]>[number]["sign"],
        yes,
      })),
    }),
    [question, answers, told],
  );
  const found = useQuery(queries.mendCase(asked));
  const data = found.data;
  const only = data?.copies.length === 1;
  const { copies } = question;
  useEffect(() => {
    // Of one copy there is nothing to choose.
    if (only && copies.length === 0) onCopies([1]);
  });
  const wanted = edits ?? (data && data.nextCopies > 0 ? data.next.map((e) => e.sign as string) : []);
  const taking = wanted.filter((s) => data?.next.some((e) => e.sign === s));
  const take = useMutation({
    mutationFn: (remedy: number | null) =>
      ask(
        api.POST("/api/mend/repairs", {
          body: {
            id,
            zoneId: question.zoneId!,
            symptom: question.symptom,
            copies,
            remedy,
            coatId: data!.coatId,
            answers: asked.answers,
            told: asked.told,
            edits: taking as NonNullable<CaseQuestion["told"]>[number]["sign"][],
            note,
            who: whoPaints(),
          },
        }),
      ),
    onSuccess: async (taken) => {
      setSaid(unsaid);
      forget();
      setId(newId());
      await changed("mends");
      notify(
        taken.steps > 0
          ? `In the plan for ${taken.copies.length === 1 ? `copy ${taken.copies[0]}` : `${taken.copies.length} copies`}, and in the log.`
          : "The plan is changed, and it is in the log.",
        () => void takeBack(taken),
      );
    },
    onError: (error) => notify(wording(error)),
  });
  if (found.error) return <Failed why={wording(found.error)} onAgain={() => void found.refetch()} />;
  if (!data) return <p className="p-6 text-soft">Looking into it…</p>;
  const set = <K extends string | number>(of: Record<K, boolean>, key: K, yes: boolean | null) => {
    const { [key]: _, ...rest } = of;
    return (yes === null ? rest : { ...of, [key]: yes }) as Record<K, boolean>;
  };
  const why = data.place && copies.length === 0 ? "On which copies do you see it? Touch them above." : "";
  return (
    <>
      <section aria-label="What is seen" className="rounded-lg border border-line bg-panel p-3">
        <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
          <div className="flex items-center gap-2">
            <SymptomDrawing of={data.symptom.key} size={48} />
            <div>
              <h1 className="text-lg leading-tight font-semibold">{data.symptom.name}</h1>
              <p className="text-sm text-soft">{data.symptom.sees}</p>
            </div>
            <Button onClick={onElse}>Something else</Button>
          </div>
          {children}
          {data.coats.length > 0 && data.coatId && (
            <Field label="About" className="w-60">
              {(id) => (
                <Choice
                  id={id}
                  label="About"
                  value={data.coatId!}
                  options={data.coats.map((c) => ({ value: c.id, label: c.what }))}
                  onChange={onCoat}
                />
              )}
            </Field>
          )}
          {data.copies.length > 1 && <CopyChoice data={data} chosen={copies} onChange={onCopies} />}
        </div>
        {data.place && (
          <div className="mt-2 flex flex-wrap items-end gap-3 text-sm">
            {data.pieceId && !children && (
              <Link to={`/piece/${data.pieceId}/mend`} className="underline">
                {data.place}
              </Link>
            )}
            <Field label="In your own words, for the log" className="min-w-64 flex-1">
              {(id) => (
                <TextInput
                  id={id}
                  maxLength={2000}
                  value={note}
                  onChange={(e) => setSaid({ ...said, note: e.target.value })}
                />
              )}
            </Field>
          </div>
        )}
      </section>
      <div className="grid grid-cols-1 items-start gap-3 xl:grid-cols-2">
        <div className="flex min-w-0 flex-col gap-3">
          <Questions
            data={data}
            passed={passed}
            onAnswer={(q, yes) => setSaid({ ...said, answers: set(answers, q, yes) })}
            onTell={(s, yes) => setSaid({ ...said, told: set(told, s, yes) })}
            onPass={(q) => setSaid({ ...said, passed: [...passed, q] })}
          />
          <Causes data={data} />
        </div>
        <div className="flex min-w-0 flex-col gap-3">
          <Remedies
            data={data}
            why={why}
            edits={taking}
            onEdits={setEdits}
            busy={take.isPending}
            onTake={(remedy) => take.mutate(remedy)}
          />
        </div>
      </div>
    </>
  );
}

interface CopyChoiceProps {
  data: MendCase;
  chosen: number[];
  onChange: (copies: number[]) => void;
}

/** The copies that show it; those that have not come to the coat stand back. */
function CopyChoice({ data, chosen, onChange }: CopyChoiceProps) {
  return (
    <fieldset className="min-w-0">
      <legend className="mb-1 text-xs font-semibold text-soft">On which copies</legend>
      <div className="scroll-quiet flex max-h-20 flex-wrap gap-1 overflow-y-auto">
        {data.copies.map((c) => (
          <button
            key={c.copy}
            type="button"
            aria-pressed={chosen.includes(c.copy)}
            title={c.reached ? "it is on" : "not come so far"}
            onClick={() =>
              onChange(
                chosen.includes(c.copy)
                  ? chosen.filter((o) => o !== c.copy)
                  : [...chosen, c.copy].sort((a, b) => a - b),
              )
            }
            className={`min-h-8 min-w-8 rounded border border-strong px-1.5 text-sm aria-pressed:border-accent aria-pressed:bg-accent aria-pressed:text-on-accent ${c.reached ? "" : "border-dashed text-soft"}`}
          >
            {c.copy}
          </button>
        ))}
      </div>
    </fieldset>
  );
}
