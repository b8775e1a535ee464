import { useQuery } from "@tanstack/react-query";
import { bounds } from "../../api/bounds";
import type { LookTrial } from "../../api/lookQueries";
import { queries } from "../../api/queries";
import type { PieceLook } from "../../api/types";
import { number } from "../../api/words";
import { Choice, Field } from "../../ui";

/** What stands beside the piece as it is planned. */
export type BesideKind = "nothing" | "moment" | "copy" | "scheme" | "trial";

export interface Beside {
  kind: BesideKind;
  copy: number;
  schemeId?: string;
  /** A coat done otherwise: with what, by which hand. */
  coatId?: string;
  materialId?: string;
  hand: number;
}

export const nothingBeside: Beside = { kind: "nothing", copy: 2, hand: 1 };

/** What the host is asked for it; nothing where the look is the same. */
export function trialOf(beside: Beside, zoneId: string | undefined): LookTrial {
  if (!zoneId) return {};
  if (beside.kind === "scheme" && beside.schemeId) return { tryZoneId: zoneId, trySchemeId: beside.schemeId };
  if (beside.kind !== "trial" || !beside.coatId) return {};
  return {
    tryZoneId: zoneId,
    tryCoatId: beside.coatId,
    tryMaterialId: beside.materialId,
    tryHand: beside.hand === 1 ? undefined : beside.hand,
  };
}

const middle = 1;
const asIs = "as it is";

interface Props {
  value: Beside;
  /** The zone whose coats are gone through; none where all are. */
  zone: PieceLook["zones"][number] | undefined;
  copies: number;
  onChange: (to: Beside) => void;
}

/** What the piece is laid beside: another moment, copy or scheme, or one coat with another paint or hand. Nothing of it is kept. */
export function BesideControls({ value, zone, copies, onChange }: Props) {
  const schemes = useQuery({ ...queries.schemes(), enabled: value.kind === "scheme" });
  const materials = useQuery({ ...queries.materials(), enabled: value.kind === "trial" });
  const options: { value: BesideKind; label: string }[] = [
    { value: "nothing", label: "nothing" },
    { value: "moment", label: "another moment" },
    ...(copies > 1 ? [{ value: "copy" as const, label: "another copy" }] : []),
    ...(zone
      ? [
          { value: "scheme" as const, label: "the coats of another scheme" },
          { value: "trial" as const, label: "another paint or hand" },
        ]
      : []),
  ];
  const put = (part: Partial<Beside>) => onChange({ ...value, ...part });
  return (
    <>
      <Field label="Beside it" hint={zone ? undefined : "Choose one zone's coats to lay other paints beside them"}>
        {(id) => (
          <Choice
            id={id}
            label="Beside it"
            value={value.kind}
            options={options}
            onChange={(kind) => put({ kind, coatId: value.coatId ?? zone?.coats.findLast((c) => !c.skipped)?.id })}
          />
        )}
      </Field>
      {value.kind === "copy" && (
        <Field label="Copy on the right">
          {(id) => (
            <Choice
              id={id}
              label="Copy on the right"
              value={String(Math.min(value.copy, copies))}
              options={Array.from({ length: copies }, (_, i) => ({ value: String(i + 1), label: `copy ${i + 1}` }))}
              onChange={(c) => put({ copy: Number(c) })}
            />
          )}
        </Field>
      )}
      {value.kind === "scheme" && (
        <Field label="Scheme on the right">
          {(id) => (
            <Choice
              id={id}
              label="Scheme on the right"
              value={value.schemeId ?? asIs}
              options={[
                { value: asIs, label: "choose one" },
                ...(schemes.data ?? []).map((s) => ({ value: s.id, label: s.name })),
              ]}
              onChange={(s) => put({ schemeId: s === asIs ? undefined : s })}
            />
          )}
        </Field>
      )}
      {value.kind === "trial" && zone && (
        <>
          <Field label="A coat done differently">
            {(id) => (
              <Choice
                id={id}
                label="A coat done differently"
                value={value.coatId ?? ""}
                options={zone.coats
                  .filter((c) => !c.skipped)
                  .map((c) => ({ value: c.id, label: `${zone.coats.indexOf(c) + 1} ${c.what}` }))}
                onChange={(coatId) => put({ coatId, materialId: undefined, hand: middle })}
              />
            )}
          </Field>
          <Field label="Painted with">
            {(id) => (
              <Choice
                id={id}
                label="Painted with"
                value={value.materialId ?? asIs}
                options={[
                  { value: asIs, label: "its own paint" },
                  ...(materials.data ?? []).map((m) => ({ value: m.id, label: m.material.name })),
                ]}
                onChange={(m) => put({ materialId: m === asIs ? undefined : m })}
              />
            )}
          </Field>
          <label className="flex items-center gap-2 text-xs text-soft">
            lighter
            <input
              type="range"
              aria-label="Hand, lighter to heavier"
              aria-valuetext={`${number(value.hand * 100, 0)} % of the usual film`}
              {...bounds.CoatDraft.hand}
              step={0.05}
              value={value.hand}
              className="min-w-0 flex-1 accent-accent"
              onChange={(e) => put({ hand: Number(e.target.value) })}
            />
            heavier
          </label>
        </>
      )}
    </>
  );
}
