import { bounds } from "../../api/bounds";
import type { WeatheringView } from "../../api/types";
import { markHostWord } from "../../api/words";
import { Field, NumberInput } from "../../ui";
import { counted, hostFields } from "./history";
import type { WeatheringHands } from "./useWeathering";

/** What on a zone can carry marks: counted, or guessed from its size. */
export function Hosts({ zone, hands }: { zone: WeatheringView["zones"][number]; hands: WeatheringHands }) {
  const own = hands.plan.hosts.find((h) => h.zoneId === zone.id);
  const b = bounds.ZoneHosts;
  const set = (to: Parameters<typeof counted>[2], what: string) =>
    void hands.keep((plan) => counted(plan, zone, to), `${zone.id} ${what}`);
  const guesses = zone.hosts.filter((h) => h.guess).length + (zone.hotEdgeGuess ? 1 : 0);
  return (
    <details className="text-sm">
      <summary className="min-h-8 cursor-pointer py-1 text-soft">
        What carries marks on one copy
        {guesses > 0 &&
          `: ${guesses === zone.hosts.length + 1 ? "all" : guesses} guessed from its size, count it to know`}
      </summary>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2 py-2 sm:grid-cols-4">
        {zone.hosts.map((h) => (
          <Field key={h.host} label={markHostWord[h.host]}>
            {(id) => (
              <NumberInput
                id={id}
                value={own?.[hostFields[h.host as keyof typeof hostFields]] ?? null}
                usual={h.count}
                bound={b.ledges}
                onEmpty={() => set({ [hostFields[h.host as keyof typeof hostFields]]: null }, h.host)}
                onChange={(n) => set({ [hostFields[h.host as keyof typeof hostFields]]: Math.round(n) }, h.host)}
              />
            )}
          </Field>
        ))}
        <Field label="edges that are used, in all">
          {(id) => (
            <NumberInput
              id={id}
              value={own?.hotEdgeMm ?? null}
              usual={zone.hotEdgeMm}
              bound={b.hotEdgeMm}
              unit="mm"
              onEmpty={() => set({ hotEdgeMm: null }, "edge")}
              onChange={(hotEdgeMm) => set({ hotEdgeMm }, "edge")}
            />
          )}
        </Field>
      </div>
    </details>
  );
}
