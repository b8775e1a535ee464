import { Plus, Trash2 } from "lucide-react";
import { bounds } from "../../api/bounds";
import type { WeatheringDraft, WeatheringView } from "../../api/types";
import { letteredByWord, markSideWord, number } from "../../api/words";
import { Button, Choice, Field, IconButton, NumberInput } from "../../ui";
import { sidesOf, sizeOf } from "./faces";
import type { WeatheringHands } from "./useWeathering";

type Lettering = NonNullable<WeatheringDraft["letters"]>[number];
const usualTallMm = 6;

/** Numbers, names and slogans: shared out over the copies, read from how far, drawn with what. */
export function Letters({ view, hands }: { view: WeatheringView; hands: WeatheringHands }) {
  const all = hands.plan.letters ?? [];
  const keep = (to: (all: Lettering[]) => Lettering[], what = "") =>
    void hands.keep((plan) => ({ ...plan, letters: to(plan.letters ?? []) }), what);
  const add = () => {
    const zone = view.zones.find((z) => z.parts.some((p) => p.side !== "top")) ?? view.zones[0];
    if (!zone) return;
    const side = zone.parts[0]?.side ?? "front";
    const [across, up] = sizeOf(view, side);
    const texts = Array.from({ length: view.copies }, (_, i) => String(i + 1));
    keep((now) => [
      ...now,
      {
        id: crypto.randomUUID(),
        zoneId: zone.id,
        texts,
        side,
        xMm: Math.round(across / 2),
        yMm: Math.round(up * 0.55),
        tallMm: Math.min(usualTallMm, Math.floor(up / 3)),
        by: "hand",
        materialId: null,
      },
    ]);
  };
  return (
    <section aria-label="Lettering" className="rounded-lg border border-line bg-panel p-3 text-sm">
      <div className="flex items-center justify-between">
        <h2 className="text-base font-semibold">Lettering</h2>
        <IconButton label="Add lettering" onClick={add}>
          <Plus size={16} aria-hidden />
        </IconButton>
      </div>
      {all.length === 0 && (
        <p className="text-soft">Numbers, names or a slogan: added here, laid by the card, put into the coats.</p>
      )}
      <ul className="flex flex-col gap-3" data-testid="letters">
        {all.map((l) => {
          const set = (to: Partial<Lettering>, what = "") =>
            keep((now) => now.map((x) => (x.id === l.id ? { ...x, ...to } : x)), what && `${l.id} ${what}`);
          const said = view.answer.letters.find((x) => x.id === l.id);
          const b = bounds.LetteringDraft;
          return (
            <li key={l.id} className="border-t border-line pt-2 first:border-0 first:pt-1">
              <div className="flex flex-wrap items-end gap-2">
                <Field
                  label={`Texts, one a line, shared out over ${view.copies === 1 ? "it" : "the copies"}`}
                  className="w-56"
                >
                  {(id) => (
                    <textarea
                      id={id}
                      defaultValue={l.texts.join("\n")}
                      rows={2}
                      className="w-full rounded border border-strong bg-raised px-2 py-1"
                      onBlur={(e) => {
                        const texts = e.target.value
                          .split("\n")
                          .map((t) => t.trim())
                          .filter(Boolean);
                        if (texts.join("\n") !== l.texts.join("\n")) set({ texts });
                      }}
                    />
                  )}
                </Field>
                <Field label="On" className="w-36">
                  {(id) => (
                    <Choice
                      id={id}
                      label="Zone of the lettering"
                      value={l.zoneId}
                      options={view.zones.map((z) => ({ value: z.id, label: z.name }))}
                      onChange={(zoneId) => set({ zoneId })}
                    />
                  )}
                </Field>
                <Field label="Side" className="w-24">
                  {(id) => (
                    <Choice
                      id={id}
                      label="Side of the lettering"
                      value={l.side}
                      options={sidesOf(view).map((value) => ({ value, label: markSideWord[value] }))}
                      onChange={(side) => set({ side })}
                    />
                  )}
                </Field>
                <Field label="Put on" className="w-36">
                  {(id) => (
                    <Choice
                      id={id}
                      label="How the letters are put on"
                      value={l.by}
                      options={Object.entries(letteredByWord).map(([value, label]) => ({
                        value: value as Lettering["by"],
                        label,
                      }))}
                      onChange={(by) => set({ by })}
                    />
                  )}
                </Field>
                {(
                  [
                    ["Tall", "tallMm"],
                    ["Middle from the left", "xMm"],
                    ["Foot up", "yMm"],
                  ] as const
                ).map(([label, field]) => (
                  <Field key={field} label={label} className="w-28">
                    {(id) => (
                      <NumberInput
                        id={id}
                        value={l[field]}
                        bound={b[field]}
                        unit="mm"
                        onChange={(to) => set({ [field]: to }, field)}
                      />
                    )}
                  </Field>
                ))}
                <IconButton
                  label={`Take ${l.texts[0] ?? "the lettering"} away`}
                  onClick={() => keep((now) => now.filter((x) => x.id !== l.id))}
                >
                  <Trash2 size={15} aria-hidden />
                </IconButton>
              </div>
              {said && (
                <p className="mt-1 text-xs text-soft" data-testid="letters-said">
                  &ldquo;{said.text}&rdquo; on this copy: {number(said.lifeMm / 10, 0)} cm in life, read from{" "}
                  {number(said.legibleM, 1)} m, strokes of {number(said.strokeMm, 2)} mm
                  {said.tool && `, ${said.tool}`}
                  {l.by === "decal" && "; gloss under it and matt over it go into the coats"}
                </p>
              )}
              {said?.faults.map((f) => (
                <p key={f} role="alert" className="text-xs font-semibold text-stop">
                  {f}
                </p>
              ))}
            </li>
          );
        })}
      </ul>
      {all.length > 0 && (
        <p className="mt-2">
          <Button onClick={add}>Another</Button>
        </p>
      )}
    </section>
  );
}
