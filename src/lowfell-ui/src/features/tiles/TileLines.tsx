import { Plus, X } from "lucide-react";
import type { Coat, Material, Technique } from "../../api/types";
import { familyWord } from "../../api/words";
import { Button, Choice, IconButton } from "../../ui";
import { tileCoat } from "./tilePlan";

interface Props {
  title: string;
  technique: Technique;
  coats: Coat[];
  paints: Material[];
  most: number;
  onChange: (coats: Coat[]) => void;
}

/** The candidates of a tile's rows or columns. */
export function TileLines({ title, technique, coats, paints, most, onChange }: Props) {
  const fitting = paints.filter((m) =>
    technique === "wash"
      ? ["acrylicWash", "enamelWash"].includes(m.material.family)
      : !["acrylicWash", "enamelWash", "pigment", "grit", "washableMarking"].includes(m.material.family),
  );
  const options = fitting.map((m) => ({ value: m.id, label: m.material.name, group: familyWord[m.material.family] }));
  const free = fitting.find((m) => !coats.some((c) => c.materialId === m.id)) ?? fitting[0];
  return (
    <fieldset>
      <legend className="mb-1 text-xs font-semibold text-soft">{title}</legend>
      <div className="flex flex-col gap-1">
        {coats.map((c, i) => (
          <div key={c.id} className="flex items-center gap-1">
            <Choice
              label={`${title}: ${i + 1}`}
              value={c.materialId ?? ""}
              options={options}
              onChange={(id) =>
                onChange(
                  coats.map((before, at) =>
                    at === i
                      ? tileCoat(
                          technique,
                          fitting.find((m) => m.id === id),
                        )
                      : before,
                  ),
                )
              }
            />
            <IconButton
              label={`Take ${i + 1} out of ${title}`}
              disabled={coats.length <= 1}
              onClick={() => onChange(coats.filter((_, at) => at !== i))}
            >
              <X size={15} aria-hidden />
            </IconButton>
          </div>
        ))}
        {most > 1 && (
          <Button
            look="quiet"
            className="self-start"
            disabled={coats.length >= most || !free}
            onClick={() => onChange([...coats, tileCoat(technique, free)])}
          >
            <Plus size={15} aria-hidden /> One more
          </Button>
        )}
      </div>
    </fieldset>
  );
}
