import { useState } from "react";
import type { MendCase } from "../../api/types";
import { number } from "../../api/words";
import { Button } from "../../ui";

const shownAtFirst = 3;

/** What it comes from, the likeliest first, with what speaks for and against it. */
export function Causes({ data }: { data: MendCase }) {
  const [all, setAll] = useState(false);
  const causes = all ? data.causes : data.causes.slice(0, shownAtFirst);
  return (
    <section aria-label="What it comes from" className="rounded-lg border border-line bg-panel p-3">
      <p className="text-lg leading-snug font-semibold" role="status" data-testid="said">
        {data.said}
      </p>
      {data.notices.map((n) => (
        <p key={n} className="mt-1 text-sm text-soft">
          {n}
        </p>
      ))}
      <ol className="mt-2 flex flex-col gap-2" data-testid="causes">
        {causes.map((c) => (
          <li key={c.key} className="text-sm">
            <span className="flex items-center gap-2">
              <span aria-hidden className="h-2.5 w-20 shrink-0 rounded-sm bg-raised">
                <span
                  className="block h-full rounded-sm bg-accent"
                  style={{ width: `${Math.max(2, c.share * 100)}%` }}
                />
              </span>
              <span className="w-10 shrink-0 text-right tabular-nums">{number(c.share * 100, 0)} %</span>
              <span className="min-w-0">
                <strong className="font-semibold">{c.word}</strong>
                {c.hits > 0 && (
                  <span className="text-soft">
                    , it was this {c.hits} of {data.cases} times here
                  </span>
                )}
              </span>
            </span>
            {(c.for.length > 0 || c.against.length > 0) && (
              <ul className="ml-32 text-xs max-sm:ml-4">
                {c.for.map((f) => (
                  <li key={f}>+ {f}</li>
                ))}
                {c.against.map((f) => (
                  <li key={f} className="text-soft">
                    − {f}
                  </li>
                ))}
              </ul>
            )}
          </li>
        ))}
      </ol>
      {data.causes.length > shownAtFirst && (
        <button type="button" className="mt-1 min-h-6 text-sm underline" onClick={() => setAll(!all)}>
          {all ? "Fewer causes" : `All ${data.causes.length} causes`}
        </button>
      )}
    </section>
  );
}

interface QuestionsProps {
  data: MendCase;
  onAnswer: (question: number, yes: boolean | null) => void;
  onTell: (sign: string, yes: boolean | null) => void;
  /** Questions that the painter can't answer. */
  passed: number[];
  onPass: (question: number) => void;
}

/** What only looking can answer, one question at a time; and what only the painter knows. */
export function Questions({ data, onAnswer, onTell, passed, onPass }: QuestionsProps) {
  const ask = data.ask && !passed.includes(data.ask.question) ? data.ask : null;
  if (!ask && data.asked.length === 0 && data.askSigns.length === 0) return null;
  return (
    <section aria-label="Questions" className="rounded-lg border border-line bg-panel p-3">
      {ask && (
        <div className="flex flex-wrap items-center gap-2" data-testid="ask">
          <p className="mr-2 text-base font-semibold">{ask.text}</p>
          <Button onClick={() => onAnswer(ask.question, true)}>Yes</Button>
          <Button onClick={() => onAnswer(ask.question, false)}>No</Button>
          <Button look="quiet" onClick={() => onPass(ask.question)}>
            Can't tell
          </Button>
        </div>
      )}
      {data.asked.map((a) => (
        <p key={a.question} className="flex items-center gap-2 text-sm">
          <span className="text-soft">{a.text}</span> <strong>{a.answer ? "Yes" : "No"}</strong>
          <button type="button" className="min-h-6 underline" onClick={() => onAnswer(a.question, null)}>
            Answer again
          </button>
        </p>
      ))}
      {data.askSigns.map((a) => (
        <fieldset key={a.sign} className="mt-1 text-sm">
          <legend className="sr-only">{a.text}</legend>
          <div className="flex items-center gap-3">
            <span aria-hidden className="min-w-0 flex-1">
              {a.text}
            </span>
            <span className="flex shrink-0 gap-1">
              {([true, false] as const).map((yes) => (
                <button
                  key={String(yes)}
                  type="button"
                  aria-pressed={a.answer === yes}
                  onClick={() => onTell(a.sign, a.answer === yes ? null : yes)}
                  className="min-h-7 min-w-10 rounded border border-strong px-2 aria-pressed:border-accent aria-pressed:bg-accent aria-pressed:text-on-accent"
                >
                  {yes ? "Yes" : "No"}
                </button>
              ))}
            </span>
          </div>
        </fieldset>
      ))}
    </section>
  );
}
