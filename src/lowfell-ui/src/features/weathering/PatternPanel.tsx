import { useQuery } from "@tanstack/react-query";
import { Dices, Plus, Trash2 } from "lucide-react";
import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import type { WeatheringDraft, WeatheringView } from "../../api/types";
import { Button, Choice, Chip, Field, IconButton, NumberInput } from "../../ui";
import type { WeatheringHands } from "./useWeathering";

type Pattern = NonNullable<WeatheringDraft["pattern"]>;
const usualPatchMm = 700;

/** Camouflage or mottle: patches of a few tones that run on over the piece, others on each copy. */
export function PatternPanel({ view, hands }: { view: WeatheringView; hands: WeatheringHands }) {
  const shelf = useQuery(queries.materials());
  const { pattern } = hands.plan;
  const paints =
    shelf.data?.filter((m) => ["acrylicPaint", "lacquer", "enamelPaint"].includes(m.material.family)) ?? [];
  const keep = (to: Pattern | null, what = "") => void hands.keep((plan) => ({ ...plan, pattern: to }), what);
  const b = bounds.PatternDraft;
  return (
    <section aria-label="Pattern" className="rounded-lg border border-line bg-panel p-3 text-sm">
      <div className="flex items-center justify-between gap-2">
        <h2 className="text-base font-semibold">Camouflage, mottle</h2>
        {pattern && (
          <span className="flex">
            <IconButton
              label="Draw the pattern again"
              onClick={() => keep({ ...pattern, version: pattern.version + 1 })}
            >
              <Dices size={15} aria-hidden />
            </IconButton>
            <IconButton label="Take the pattern away" onClick={() => keep(null)}>
              <Trash2 size={15} aria-hidden />
            </IconButton>
          </span>
        )}
      </div>
      {!pattern ? (
        <p className="flex flex-wrap items-center gap-2 text-soft">
          Patches of a few tones, another pattern on each copy.
          <Button
            disabled={!paints[0] || view.zones.length === 0}
            onClick={() =>
              keep({
                id: crypto.randomUUID(),
                zoneIds: view.zones.map((z) => z.id),
                tones: [{ materialId: beside(paints, view.zones[0]?.colour).id, share: 0.35 }],
                patchRealMm: usualPatchMm,
                stretch: 1.6,
                gapMm: 0,
                version: 1,
              })
            }
          >
            Add a pattern
          </Button>
        </p>
      ) : (
        <>
          <div className="mt-1 flex flex-wrap items-end gap-2">
            <Field label="Patch in life" className="w-32">
              {(id) => (
                <NumberInput
                  id={id}
                  value={pattern.patchRealMm}
                  bound={b.patchRealMm}
                  unit="mm"
                  onChange={(patchRealMm) => keep({ ...pattern, patchRealMm }, "patch")}
                />
              )}
            </Field>
            <Field label="Longer than high" className="w-28">
              {(id) => (
                <NumberInput
                  id={id}
                  value={pattern.stretch}
                  bound={b.stretch}
                  onChange={(stretch) => keep({ ...pattern, stretch }, "stretch")}
                />
              )}
            </Field>
            <Field label="Ground left between" className="w-32">
              {(id) => (
                <NumberInput
                  id={id}
                  value={pattern.gapMm}
                  bound={b.gapMm}
                  unit="mm"
                  onChange={(gapMm) => keep({ ...pattern, gapMm }, "gap")}
                />
              )}
            </Field>
            <span className="flex flex-wrap gap-3 pb-1.5" role="group" aria-label="Zones of the pattern">
              {view.zones.map((z) => (
                <label key={z.id} className="flex items-center gap-1.5">
                  <input
                    type="checkbox"
                    checked={pattern.zoneIds.includes(z.id)}
                    onChange={(e) =>
                      keep({
                        ...pattern,
                        zoneIds: e.target.checked
                          ? [...pattern.zoneIds, z.id]
                          : pattern.zoneIds.filter((x) => x !== z.id),
                      })
                    }
                  />
                  {z.name}
                </label>
              ))}
            </span>
          </div>
          <ul className="mt-2 flex flex-col gap-1.5" data-testid="tones">
            {pattern.tones.map((t, i) => {
              const set = (to: Partial<typeof t>, what = "") =>
                keep({ ...pattern, tones: pattern.tones.map((x, n) => (n === i ? { ...x, ...to } : x)) }, what);
              const of = shelf.data?.find((m) => m.id === t.materialId);
              return (
                <li key={i} className="flex flex-wrap items-center gap-2">
                  <Chip colour={of?.material.colour ?? undefined} className="h-5 w-8" />
                  <span className="w-52">
                    <Choice
                      label={`Paint of tone ${i + 1}`}
                      value={t.materialId}
                      options={paints.map((m) => ({ value: m.id, label: m.material.name ?? "" }))}
                      onChange={(materialId) => set({ materialId })}
                    />
                  </span>
                  <NumberInput
                    label={`Share of tone ${i + 1}`}
                    value={Math.round(t.share * 100)}
                    bound={{ min: 1, max: 95 }}
                    unit="%"
                    className="w-24"
                    onChange={(share) => set({ share: share / 100 }, `share ${i}`)}
                  />
                  <IconButton
                    label={`Take tone ${i + 1} away`}
                    onClick={() => keep({ ...pattern, tones: pattern.tones.filter((_, n) => n !== i) })}
                  >
                    <Trash2 size={15} aria-hidden />
                  </IconButton>
                </li>
              );
            })}
          </ul>
          {pattern.tones.length < b.tones.maxItems && paints[0] && (
            <p className="mt-1.5">
              <Button
                onClick={() =>
                  keep({
                    ...pattern,
                    tones: [
                      ...pattern.tones,
                      { materialId: paints[pattern.tones.length % paints.length]!.id, share: 0.2 },
                    ],
                  })
                }
              >
                <Plus size={15} aria-hidden /> Another tone
              </Button>
            </p>
          )}
        </>
      )}
    </section>
  );
}

/** How far from its ground a tone is that reads as one of the same piece, of 255 each of red, green and blue. */
const usualApart = 70;

/** A paint that stands well beside a colour: neither lost on it nor glaring. */
function beside<P extends { material: { colour?: string | null } }>(paints: P[], colour: string | null | undefined): P {
  const rgb = (hex: string) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
  const ground = rgb(colour ?? "#808080");
  const off = (p: P) =>
    Math.abs(Math.hypot(...rgb(p.material.colour ?? "#808080").map((v, i) => v - ground[i]!)) - usualApart);
  return paints.reduce((best, p) => (off(p) < off(best) ? p : best));
}
