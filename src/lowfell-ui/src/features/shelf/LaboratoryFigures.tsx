import { useState } from "react";
import { bounds } from "../../api/bounds";
import { api, ask, wording } from "../../api/client";
import type { MaterialDraft, Swatch } from "../../api/types";
import { Button, ColourInput, Field, isColour, NumberInput } from "../../ui";

interface Props {
  draft: MaterialDraft;
  facts: Swatch["facts"] | undefined;
  clear: boolean;
  set: (part: Partial<MaterialDraft>) => void;
  leave: (key: keyof MaterialDraft) => void;
}

type Figure = "contrastRatio" | "referenceFilmUm" | "undertonePower" | "wetScatter" | "volumeSolids" | "dropsPerMl";

const figures: { key: Figure; label: string; hint: string; unit?: string; coloured: boolean }[] = [
  {
    key: "contrastRatio",
    label: "Contrast ratio",
    hint: "How bright it is over black against over white: 1 hides all, 0.2 is a tint.",
    coloured: true,
  },
  {
    key: "referenceFilmUm",
    label: "at a dry film of",
    hint: "The film that the ratio was measured at.",
    unit: "µm",
    coloured: true,
  },
  {
    key: "undertonePower",
    label: "Undertone",
    hint: "How much its colour turns where it lies thin: 0 not at all, 0.5 as a brown wash does.",
    coloured: true,
  },
  {
    key: "wetScatter",
    label: "Scatter when wet",
    hint: "0.8 as most; more than 1 for a wash that is milky until it dries.",
    coloured: true,
  },
  {
    key: "volumeSolids",
    label: "Volume solids",
    hint: "What stays of it when it is dry, as a share of what was laid on.",
    coloured: false,
  },
  {
    key: "dropsPerMl",
    label: "Drops to the ml",
    hint: "As counted; the step further down measures it.",
    coloured: false,
  },
];

/** Figures that a laboratory or a data sheet gives; a family's hold where none is known. */
export function LaboratoryFigures({ draft, facts, clear, set, leave }: Props) {
  const shown = figures.filter((f) => !clear || !f.coloured);
  const told = shown.filter((f) => draft[f.key] != null && f.key !== "contrastRatio").length;
  return (
    <details className="border-t border-line pt-2 text-sm">
      <summary className="cursor-pointer">
        <span className="font-semibold">Laboratory figures</span>
        <span className="block text-soft">
          {told > 0
            ? `${told} of its own; the rest are its family’s.`
            : "Its family’s hold; nobody needs to know them to begin."}
        </span>
      </summary>
      <div className="mt-2 grid grid-cols-2 gap-3">
        {shown.map((f) => (
          <Field key={f.key} label={f.label} hint={f.hint}>
            {(id) => (
              <NumberInput
                id={id}
                value={draft[f.key] ?? null}
                usual={facts?.[f.key]}
                onEmpty={() => leave(f.key)}
                bound={bounds.MaterialDraft[f.key]}
                unit={f.unit}
                onChange={(value) => set({ [f.key]: value })}
              />
            )}
          </Field>
        ))}
      </div>
      {!clear && <WetStripe draft={draft} onRead={(wetScatter) => set({ wetScatter })} />}
    </details>
  );
}

/** Scatter when wet from a stripe over black, read while it is wet. */
function WetStripe({ draft, onRead }: { draft: MaterialDraft; onRead: (wetScatter: number) => void }) {
  const [read, setRead] = useState("");
  const [fault, setFault] = useState<string>();
  async function work() {
    try {
      const answer = await ask(
        api.POST("/api/preview/wet-scatter", {
          body: { material: { ...draft, name: draft.name || "paint" }, wetOverBlack: read, dryFilmUm: 20 },
        }),
      );
      setFault(undefined);
      onRead(answer.wetScatter);
    } catch (error) {
      setFault(wording(error));
    }
  }
  return (
    <div className="mt-3 flex items-end gap-2">
      <Field
        label="A stripe over black, read while wet"
        hint="20 µm dry, as for the painted stripe; gives the scatter when wet."
        error={fault}
        className="flex-1"
      >
        {(id) => <ColourInput id={id} label="wet stripe" value={read} onChange={setRead} />}
      </Field>
      <Button disabled={!isColour(read)} onClick={() => void work()}>
        Work out
      </Button>
    </div>
  );
}
