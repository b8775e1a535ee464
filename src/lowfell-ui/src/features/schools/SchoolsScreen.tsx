import { useQuery } from "@tanstack/react-query";
import { RadioGroup } from "radix-ui";
import { api, ask, queryClient, wording } from "../../api/client";
import type { Schools } from "../../api/types";
import { notify } from "../../ui";
import { questions } from "./questions";

/** Where good painters disagree: each choice says what it buys and what it costs. */
export function SchoolsScreen() {
  const bench = useQuery({ queryKey: ["bench"], queryFn: () => ask(api.GET("/api/bench")) });
  if (bench.isError)
    return (
      <p role="alert" className="p-6">
        {wording(bench.error)}
      </p>
    );
  if (!bench.data) return <p className="p-6 text-soft">Opening…</p>;
  const schools = bench.data.schools;
  async function choose(part: Partial<Schools>) {
    try {
      const answer = await ask(api.PUT("/api/bench/schools", { body: { ...schools, ...part } }));
      queryClient.setQueryData(["bench"], answer);
      void queryClient.invalidateQueries({
        predicate: (q) => ["sets", "zone", "preview"].includes(String(q.queryKey[0])),
      });
    } catch (error) {
      notify(wording(error));
    }
  }
  return (
    <div className="mx-auto w-full max-w-5xl px-4 pb-10">
      <h1 className="pt-3 text-lg font-semibold">Schools</h1>
      <p className="mb-4 text-sm text-soft">
        Good painters disagree on these. What you choose is what the rules and predictions follow on this bench.
      </p>
      <div className="grid gap-3">
        {questions.map((q) => (
          <RadioGroup.Root
            key={q.field}
            aria-label={q.question}
            value={schools[q.field]}
            onValueChange={(value) => void choose({ [q.field]: value } as Partial<Schools>)}
            className="grid grid-cols-[14rem_1fr_1fr] items-stretch gap-3 rounded-lg border border-line bg-panel p-3"
          >
            <span className="self-center font-semibold">{q.question}</span>
            {q.choices.map((c) => (
              <RadioGroup.Item
                key={c.value}
                value={c.value}
                className="group flex items-start gap-2 rounded border border-line bg-raised p-3 text-left text-sm data-[state=checked]:border-accent data-[state=checked]:bg-tint"
              >
                <span className="mt-1 inline-flex size-3.5 shrink-0 items-center justify-center rounded-full border border-strong">
                  <RadioGroup.Indicator className="size-2 rounded-full bg-accent" />
                </span>
                <span>
                  <span className="font-semibold">{c.label}</span>
                  <span className="block">{c.buys}</span>
                  <span className="block text-soft">{c.costs}</span>
                </span>
              </RadioGroup.Item>
            ))}
          </RadioGroup.Root>
        ))}
      </div>
    </div>
  );
}
