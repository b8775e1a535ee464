import type { WeatheringDraft, WeatheringView } from "../../api/types";
import { markSideWord, thrownByWord, weatherAgeWord, wentThroughWord } from "../../api/words";

export type History = WeatheringDraft["history"];
type Zone = WeatheringView["zones"][number];

/** What a piece went through, in a sentence. */
export function told(history: History): string {
  if (history.went.length === 0) return "Nothing is told of it yet.";
  const went = history.went.map((w) => wentThroughWord[w]);
  const from = history.from ? `, from the ${markSideWord[history.from]}` : "";
  const thrown = history.went.some((w) => w === "dryDust" || w === "wetGround")
    ? `; the ground is thrown up by ${thrownByWord[history.thrown]}`
    : "";
  return `For ${weatherAgeWord[history.age]}: ${went.join(", ")}${from}${thrown}.`;
}

/** Names of what carries marks as they are kept. */
export const hostFields = {
  ledge: "ledges",
  iron: "iron",
  lip: "lips",
  bolt: "bolts",
  filler: "fillers",
  perch: "perches",
  corner: "corners",
} as const;

/** The counts of a zone, one of them changed. */
export function counted(
  plan: WeatheringDraft,
  zone: Zone,
  to: Partial<WeatheringDraft["hosts"][number]>,
): WeatheringDraft {
  const old = plan.hosts.find((h) => h.zoneId === zone.id);
  const next = Object.fromEntries(Object.entries({ ...old, zoneId: zone.id, ...to }).filter(([, v]) => v != null));
  return {
    ...plan,
    hosts: [...plan.hosts.filter((h) => h.zoneId !== zone.id), next as WeatheringDraft["hosts"][number]],
  };
}
