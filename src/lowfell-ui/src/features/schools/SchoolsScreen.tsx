import { queries } from "../../api/queries";
import { schoolsChosen } from "../../api/changes";
import { useQuery } from "@tanstack/react-query";
import { RadioGroup } from "radix-ui";
import { api, ask, wording } from "../../api/client";
import type { School, SchoolEffects, Schools } from "../../api/types";
import { craft } from "../../api/words";
import { Failed, notify } from "../../ui";
import { effectWords } from "./effects";

/** Where good painters disagree: each choice says what it buys and costs, in words and on this bench. */
export function SchoolsScreen() {
  const bench = useQuery(queries.bench());
  if (bench.isError) return <Failed why={wording(bench.error)} onAgain={() => void bench.refetch()} />;
  if (!bench.data) return <p className="p-6 text-soft">Opening…</p>;
  const { schools, version } = bench.data;
  async function choose(part: Partial<Schools>) {
    try {
      const answer = await ask(
        api.PUT("/api/bench/schools", { params: { query: { version } }, body: { ...schools, ...part } }),
      );
      schoolsChosen(answer);
    } catch (error) {
      notify(wording(error));
      void bench.refetch();
    }
  }
  return (
    <div className="mx-auto w-full max-w-6xl px-4 pb-10">
      <h1 className="pt-3 text-lg font-semibold">Schools</h1>
      <p className="mb-4 text-sm text-soft">
        Good painters disagree on these. What you choose is what the rules, the predictions and the plan follow on this
        bench.
      </p>
      <div className="grid gap-3">
        {craft().schools.map((q) => (
          <Question
            key={q.id}
            school={q}
            chosen={schools[q.id as keyof Schools]}
            onChoose={(value) => void choose({ [q.id]: value } as Partial<Schools>)}
          />
        ))}
      </div>
    </div>
  );
}

function Question({ school, chosen, onChoose }: { school: School; chosen: string; onChoose: (value: string) => void }) {
  const effects = useQuery(queries.effects(school.id));
  return (
    <RadioGroup.Root
      aria-label={school.question}
      value={chosen}
      onValueChange={onChoose}
      data-school={school.id}
      className="grid items-stretch gap-3 rounded-lg border border-line bg-panel p-3 md:grid-cols-[11rem_minmax(0,1fr)]"
    >
      <span className="self-center font-semibold">{school.question}</span>
      <span
        className={`grid gap-3 ${school.choices.length === 3 ? "sm:grid-cols-3" : "sm:grid-cols-2"}`}
        data-testid="choices"
      >
        {school.choices.map((c) => (
          <RadioGroup.Item
            key={c.value}
            value={c.value}
            className="group flex items-start gap-2 rounded border border-line bg-raised p-3 text-left text-sm data-[state=checked]:border-accent data-[state=checked]:bg-tint"
          >
            <span className="mt-1 inline-flex size-3.5 shrink-0 items-center justify-center rounded-full border border-strong">
              <RadioGroup.Indicator className="size-2 rounded-full bg-accent" />
            </span>
            <span className="min-w-0 flex-1">
              <span className="font-semibold">{c.label}</span>
              <span className="block">{c.buys}</span>
              <span className="block text-soft">{c.costs}</span>
              {c.value !== chosen && <OnThisBench effects={effects.data} value={c.value} />}
            </span>
          </RadioGroup.Item>
        ))}
      </span>
    </RadioGroup.Root>
  );
}

function OnThisBench({ effects, value }: { effects: SchoolEffects | undefined; value: string }) {
  const effect = effects?.choices.find((c) => c.value === value);
  return (
    <span className="mt-1 block min-h-5 border-t border-line pt-1 text-xs text-soft" data-testid="on-this-bench">
      {effect && effects ? effectWords(effect, effects.ofStacks) : "…"}
    </span>
  );
}
