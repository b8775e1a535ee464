import { useQuery } from "@tanstack/react-query";
import { ImagePlus, Trash2 } from "lucide-react";
import { queries } from "../../api/queries";
import type { Reference } from "../../api/types";
import { Button, Choice, Field, IconButton, Toggle } from "../../ui";
import { type Height, heights } from "./referenceEdits";

/** What the next press on the picture picks. */
export interface Picking {
  zoneId: string;
  what: Height | "grey";
  /** What the grey in the picture is known to be. */
  greyIs: string;
}

interface Props {
  pictures: Reference[];
  of: Reference | undefined;
  zones: { id: string; name: string }[];
  picking: Picking;
  busy: boolean;
  forSet: boolean;
  onPicking: (picking: Picking) => void;
  onChoose: (id: string) => void;
  onForSet: (forSet: boolean) => void;
  onPin: () => void;
  onWithoutGrey: () => void;
  onRemove: () => void;
}

const cards = [
  { value: "#777777", label: "a mid grey card" },
  { value: "#b9b9b9", label: "a light grey card" },
];

// No channel farther from another than this: grey enough to balance by.
const mostCast = 18;
const isGrey = (hex: string) => {
  const channels = [1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16));
  return Math.max(...channels) - Math.min(...channels) <= mostCast && channels[0]! > 60 && channels[0]! < 220;
};

/** Which picture, which zone, and what the next press picks. */
export function PickWhat(p: Props) {
  const materials = useQuery(queries.materials());
  const greys = (materials.data ?? [])
    .filter((m) => isGrey(m.facts.colour) && !cards.some((c) => c.value === m.facts.colour))
    .map((m) => ({ value: m.facts.colour, label: m.material.name, group: "something painted with" }))
    .filter((m, i, all) => all.findIndex((o) => o.value === m.value) === i);
  return (
    <>
      {p.pictures.length > 0 && (
        <ul className="flex flex-wrap gap-2" aria-label="Pinned pictures">
          {p.pictures.map((r) => (
            <li key={r.id}>
              <button
                type="button"
                aria-pressed={r.id === p.of?.id}
                title={r.name}
                aria-label={`${r.name}${r.pieceId ? "" : ", for the whole set"}`}
                onClick={() => p.onChoose(r.id)}
                className={`rounded border-2 p-0.5 ${r.id === p.of?.id ? "border-accent" : "border-line"}`}
              >
                <img src={`/api/photos/${r.photoId}/thumbnail`} alt="" className="h-12 w-16 rounded-sm object-cover" />
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <Button disabled={p.busy} onClick={p.onPin}>
          <ImagePlus size={15} aria-hidden /> Pin a picture
        </Button>
        <Toggle label="for the whole set" checked={p.forSet} onChange={p.onForSet} />
        {p.of && (
          <span className="ml-auto">
            <IconButton label={`Take ${p.of.name} off`} disabled={p.busy} onClick={p.onRemove}>
              <Trash2 size={16} aria-hidden />
            </IconButton>
          </span>
        )}
      </div>
      {p.of && (
        <>
          <Field label="Zone">
            {(id) => (
              <Choice
                id={id}
                label="Zone"
                value={p.picking.zoneId}
                options={p.zones.map((z) => ({ value: z.id, label: z.name }))}
                onChange={(zoneId) => p.onPicking({ ...p.picking, zoneId })}
              />
            )}
          </Field>
          <div role="group" aria-label="The next press picks" className="grid grid-cols-4 gap-1">
            {([...heights, "grey"] as const).map((what) => (
              <button
                key={what}
                type="button"
                aria-pressed={p.picking.what === what}
                onClick={() => p.onPicking({ ...p.picking, what })}
                className={`rounded border px-1 py-1.5 text-sm ${p.picking.what === what ? "border-accent bg-tint font-semibold" : "border-line hover:bg-tint"}`}
              >
                {what === "grey" ? "a grey" : what}
              </button>
            ))}
          </div>
          {p.picking.what === "grey" && (
            <Field label="The grey is" hint="Then press on it: the lamp is taken out of every colour.">
              {(id, described) => (
                <span aria-describedby={described}>
                  <Choice
                    id={id}
                    label="The grey is"
                    value={p.picking.greyIs}
                    options={[...cards, ...greys]}
                    onChange={(greyIs) => p.onPicking({ ...p.picking, greyIs })}
                  />
                </span>
              )}
            </Field>
          )}
          {p.of.grey && (
            <p className="flex items-center gap-2 text-xs text-soft">
              Colours are told as in even light.
              <Button look="quiet" className="px-1 underline" disabled={p.busy} onClick={p.onWithoutGrey}>
                As photographed
              </Button>
            </p>
          )}
        </>
      )}
    </>
  );
}
