import { bounds } from "../../api/bounds";
import type { WeatheringView } from "../../api/types";
import { markSideWord, thrownByWord, weatherAgeWord, wentThroughWord } from "../../api/words";
import { Button, Choice, Field, NumberInput } from "../../ui";
import { told, type History } from "./history";
import type { WeatheringHands } from "./useWeathering";

const everywhere = "everywhere";
const sides = ["front", "right", "back", "left"] as const;

/** What a piece went through, as a few choices, and the marks that follow. */
export function HistoryPanel({ view, hands }: { view: WeatheringView; hands: WeatheringHands }) {
  const { history } = hands.plan;
  const set = (to: Partial<History>, what = "") =>
    void hands.keep((plan) => ({ ...plan, history: { ...plan.history, ...to } }), what);
  const toggle = (w: History["went"][number]) =>
    set({ went: history.went.includes(w) ? history.went.filter((x) => x !== w) : [...history.went, w] });
  const wet = history.went.includes("tideWater");
  const thrown = history.went.includes("dryDust") || history.went.includes("wetGround");
  const locked = hands.plan.entries.filter((e) => e.locked).length;
  return (
    <section aria-label="What it went through" className="rounded-lg border border-line bg-panel p-3">
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h2 className="font-semibold">What it went through</h2>
        <p className="text-sm text-soft" data-testid="history-told">
          {told(history)}
        </p>
      </div>
      <div className="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="What it was">
        {Object.entries(wentThroughWord).map(([key, word]) => {
          const on = history.went.includes(key as History["went"][number]);
          return (
            <button
              key={key}
              type="button"
              aria-pressed={on}
              onClick={() => toggle(key as History["went"][number])}
              className={`min-h-8 rounded border px-2.5 text-sm ${on ? "border-strong bg-tint font-semibold" : "border-line bg-raised hover:bg-tint"}`}
            >
              {word}
            </button>
          );
        })}
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <Field label="Since" className="w-36">
          {(id) => (
            <Choice
              id={id}
              label="Since"
              value={history.age}
              options={Object.entries(weatherAgeWord).map(([value, label]) => ({
                value: value as History["age"],
                label,
              }))}
              onChange={(age) => set({ age })}
            />
          )}
        </Field>
        <Field label="Weather from" className="w-36">
          {(id) => (
            <Choice
              id={id}
              label="Weather from"
              value={history.from ?? everywhere}
              options={[
                { value: everywhere, label: "all sides" },
                ...sides.map((value) => ({ value, label: `the ${markSideWord[value]}` })),
              ]}
              onChange={(from) => set({ from: from === everywhere ? null : (from as History["from"]) })}
            />
          )}
        </Field>
        {thrown && (
          <Field label="Ground thrown up by" className="w-36">
            {(id) => (
              <Choice
                id={id}
                label="Ground thrown up by"
                value={history.thrown}
                options={Object.entries(thrownByWord).map(([value, label]) => ({
                  value: value as History["thrown"],
                  label,
                }))}
                onChange={(thrownBy) => set({ thrown: thrownBy })}
              />
            )}
          </Field>
        )}
        {wet && (
          <Field label="Water line above the table" className="w-44">
            {(id) => (
              <NumberInput
                id={id}
                value={history.levelMm ?? null}
                usual={view.levelMm ?? undefined}
                bound={bounds.HistoryDraft.levelMm}
                unit="mm"
                onEmpty={() => set({ levelMm: null }, "level")}
                onChange={(levelMm) => set({ levelMm }, "level")}
              />
            )}
          </Field>
        )}
        <Button
          look={hands.plan.entries.length === 0 ? "main" : "plain"}
          disabled={history.went.length === 0 || hands.propose.isPending || view.zones.length === 0}
          onClick={() => hands.propose.mutate(hands.plan)}
        >
          {hands.plan.entries.length === 0 ? "Propose marks" : "Propose anew"}
        </Button>
        {hands.plan.entries.length > 0 && (
          <p className="self-center text-sm text-soft">
            {locked > 0
              ? `${locked === 1 ? "One that is locked stays" : `${locked} that are locked stay`}; the rest is replaced.`
              : "Lock what should stay; the rest is replaced."}
          </p>
        )}
        {view.atRandom && (
          <p className="self-center text-sm text-soft">By your schools, marks are rolled, not reasoned.</p>
        )}
      </div>
    </section>
  );
}
