import { bounds } from "../../api/bounds";
import type { Coat, ZonePage } from "../../api/types";
import { markKindWord, number, techniqueFacts } from "../../api/words";
import { Choice, NumberInput, own, Toggle } from "../../ui";

type Kind = NonNullable<NonNullable<Coat["marks"]>["kind"]>;
const anything = "anything";
const usual = { count: 12, widthMm: 0.5, lengthMm: 2 };

interface Props {
  page: ZonePage;
  coat: Coat;
  onChange: (field: string, change: (coat: Coat) => Coat) => void;
}

/** Marks by number and size, and a coat that fades out with height. */
export function MarksEditor({ page, coat, onChange }: Props) {
  const { heightFromMm, heightToMm } = page.zone;
  const told = heightFromMm != null && heightToMm != null;
  const { byMarks } = techniqueFacts(coat.technique);
  // What a weathering plan has put here is told by number whatever its technique goes by.
  const counted = byMarks || coat.marks?.kind != null;
  if (!counted && !told && !coat.fade) return null;
  return (
    <div className="flex flex-col gap-1 border-t border-line pt-3 text-sm">
      {counted && (
        <>
          <Toggle
            label="Counted marks"
            checked={coat.marks != null}
            onChange={(on) => onChange("marks", (c) => (on ? { ...c, marks: usual } : without(c, "marks")))}
          />
          {coat.marks && (
            <div className="grid grid-cols-3 gap-2 pl-6">
              {(
                [
                  ["on a copy", "count", undefined],
                  [`${own("mm").unit} wide`, "widthMm", "mm"],
                  [`${own("mm").unit} long`, "lengthMm", "mm"],
                ] as const
              ).map(([label, key, unit]) => (
                <label key={key} className="text-xs text-soft">
                  <NumberInput
                    value={coat.marks![key]}
                    bound={bounds.Marks[key]}
                    unit={unit}
                    bare
                    onChange={(v) => onChange(`marks${key}`, (c) => ({ ...c, marks: { ...c.marks!, [key]: v } }))}
                  />
                  {label}
                </label>
              ))}
              <label className="col-span-3 text-xs text-soft">
                <Choice
                  label="Meant as"
                  value={coat.marks.kind ?? anything}
                  options={[
                    { value: anything, label: "nothing in particular" },
                    ...Object.entries(markKindWord).map(([value, label]) => ({ value, label })),
                  ]}
                  onChange={(kind) =>
                    onChange("marksKind", (c) => ({
                      ...c,
                      marks: { ...c.marks!, kind: kind === anything ? null : (kind as Kind), stripMm2: null },
                    }))
                  }
                />
                meant as
              </label>
              <span className="col-span-3 text-xs text-soft">
                {number((coat.marks.widthMm * page.zone.scale) / 10, 1)} by{" "}
                {number((coat.marks.lengthMm * page.zone.scale) / 10, 1)} cm in life, at 1:{number(page.zone.scale)}
              </span>
            </div>
          )}
        </>
      )}
      {(told || coat.fade) && (
        <>
          <Toggle
            label="Fades with height"
            checked={coat.fade != null}
            onChange={(on) =>
              onChange("fade", (c) =>
                on ? { ...c, fade: { fullMm: heightFromMm ?? 0, noneMm: heightToMm ?? 0 } } : without(c, "fade"),
              )
            }
          />
          {coat.fade && (
            <div className="grid grid-cols-2 gap-2 pl-6">
              {(
                [
                  [`${own("mm").unit}: full film`, "fullMm"],
                  [`${own("mm").unit}: none`, "noneMm"],
                ] as const
              ).map(([label, key]) => (
                <label key={key} className="text-xs text-soft">
                  <NumberInput
                    value={coat.fade![key]}
                    bound={bounds.Fade[key]}
                    unit="mm"
                    bare
                    onChange={(v) => onChange(`fade${key}`, (c) => ({ ...c, fade: { ...c.fade!, [key]: v } }))}
                  />
                  {label}
                </label>
              ))}
            </div>
          )}
        </>
      )}
    </div>
  );
}

function without<K extends "marks" | "fade">(coat: Coat, key: K): Coat {
  const { [key]: _gone, ...rest } = coat;
  return rest as Coat;
}
