import { queries } from "../../api/queries";
import { changed } from "../../api/changes";
import { useQuery } from "@tanstack/react-query";
import { Plus, X } from "lucide-react";
import { useState } from "react";
import { useDraft } from "../../craft/useDraft";
import { api, ask, wording } from "../../api/client";
import type { Material, Ratio } from "../../api/types";
import { familyFacts, offFigure } from "../../api/words";
import { Button, Chip, Choice, ColourInput, Dialog, Field, IconButton, isColour } from "../../ui";

interface Props {
  materials: Material[];
  /** Paints to start from. */
  start: string[];
  onClose: () => void;
  onKept: (id: string) => void;
}

/** Two to four paints and a colour: the ratio in whole parts that comes nearest. */
export function RatioDialog({ materials, start, onClose, onKept }: Props) {
  const paints = materials.filter((m) => !familyFacts(m.material.family).clear);
  const [target, setTarget, forgetTarget] = useDraft("ratio target", "#7d7a5c");
  const [typed, setIds, forgetIds] = useDraft<string[]>("ratio paints", () => {
    const known = start.filter((id) => paints.some((p) => p.id === id)).slice(0, 4);
    const plain = paints.filter((p) => p.material.family === "acrylicPaint" && p.material.effect === "plain");
    const usual = plain.length >= 2 ? plain : paints;
    return known.length >= 2 ? known : usual.slice(0, 2).map((p) => p.id);
  });
  // A draft may name a paint that is gone.
  const ids = typed.filter((id) => paints.some((p) => p.id === id));
  const [fault, setFault] = useState<string>();
  const ratios = useQuery(
    queries.ratio(ids, target, isColour(target) && ids.length >= 2 && new Set(ids).size === ids.length),
  );
  const name = (id: string) => paints.find((p) => p.id === id)?.material.name ?? "";
  async function keep(ratio: Ratio) {
    try {
      const kept = await ask(
        api.POST("/api/mixes", {
          body: {
            name: ids
              .map((id, i) => (ratio.parts[i]! > 0 ? `${ratio.parts[i]} ${name(id)}` : ""))
              .filter(Boolean)
              .join(" + ")
              .slice(0, 120),
            components: ids
              .map((materialId, i) => ({ amount: ratio.parts[i]!, unit: "parts" as const, materialId }))
              .filter((c) => c.amount > 0),
          },
        }),
      );
      await changed("mixes");
      forgetTarget();
      forgetIds();
      onKept(kept.id);
    } catch (error) {
      setFault(wording(error));
    }
  }
  return (
    <Dialog
      open
      wide
      title="Solve a ratio"
      description="Whole parts up to 12 of each paint, judged by the dry, hiding mix."
      onClose={onClose}
    >
      <div className="grid grid-cols-2 gap-6">
        <div className="flex flex-col gap-2">
          <Field label="Wanted colour">
            {(id) => <ColourInput id={id} label="wanted" value={target} onChange={setTarget} />}
          </Field>
          <p className="text-xs font-semibold text-soft">Paints</p>
          {ids.map((id, i) => (
            <div key={i} className="flex items-center gap-2">
              <Chip colour={paints.find((p) => p.id === id)?.facts.colour} />
              <Choice
                label={`Paint ${i + 1}`}
                value={id}
                options={paints.map((p) => ({ value: p.id, label: p.material.name }))}
                onChange={(to) => setIds(ids.map((before, at) => (at === i ? to : before)))}
              />
              <IconButton
                label={`Take paint ${i + 1} out`}
                disabled={ids.length <= 2}
                onClick={() => setIds(ids.filter((_, at) => at !== i))}
              >
                <X size={16} aria-hidden />
              </IconButton>
            </div>
          ))}
          <Button
            className="self-start"
            disabled={ids.length >= Math.min(4, paints.length)}
            onClick={() => setIds([...ids, paints.find((p) => !ids.includes(p.id))!.id])}
          >
            <Plus size={15} aria-hidden /> Paint
          </Button>
          {new Set(ids).size !== ids.length && <p className="text-sm text-risk">Choose different paints.</p>}
        </div>
        <div className="text-sm" data-testid="ratios">
          <p className="mb-2 flex items-center gap-2 text-xs font-semibold text-soft">
            <Chip colour={isColour(target) ? target : undefined} /> wanted
          </p>
          {ratios.data?.map((r, i) => (
            <div key={r.parts.join(":")} className="flex items-center gap-3 border-t border-line py-2">
              <Chip colour={r.colour} />
              <span className="min-w-0 flex-1">
                <strong className="text-base">{r.parts.join(" : ")}</strong>
                <span className="block text-xs text-soft">
                  {offFigure(r.deltaE)}
                  {i === 0 ? ", the nearest" : ", fewer parts"}
                </span>
              </span>
              <Button look={i === 0 ? "main" : "plain"} onClick={() => void keep(r)}>
                Keep as a mix
              </Button>
            </div>
          ))}
          {ratios.data && ratios.data[0]!.deltaE > 4 && (
            <p className="mt-2 text-risk">
              These paints don’t reach it. Add one that lies on the other side of the colour.
            </p>
          )}
          {(fault || ratios.isError) && (
            <p role="alert" className="mt-2 font-semibold text-stop">
              {fault ?? wording(ratios.error)}
            </p>
          )}
        </div>
      </div>
    </Dialog>
  );
}
