import { useQuery } from "@tanstack/react-query";
import { Dices, Lock, LockOpen, Plus, Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import type { EntryView, MarkEntry, WeatheringView } from "../../api/types";
import {
  duration,
  facingWord,
  markKindWord,
  number,
  sightVerdictWord,
  techniqueWord,
  widthVerdictWord,
} from "../../api/words";
import { Choice, Chip, IconButton, Menu, NumberInput } from "../../ui";
import type { WeatheringHands } from "./useWeathering";

interface Props {
  view: WeatheringView;
  hands: WeatheringHands;
  zone: WeatheringView["zones"][number];
  chosen: string | undefined;
  onChoose: (id: string | undefined) => void;
  children: ReactNode;
}

const nearest = "nearest";
const stages = ["", "wear", "fields", "runs", "spots", "loose, last"];

/** The marks of one zone, in the order in which they go on. */
export function Entries({ view, hands, zone, chosen, onChoose, children }: Props) {
  const own = hands.plan.entries.filter((e) => e.zoneId === zone.id);
  const stage = new Map(view.kinds.map((k, i) => [k.kind, { ...k, i }]));
  const sorted = [...own].sort((a, b) => stage.get(a.kind)!.i - stage.get(b.kind)!.i);
  const stack = view.answer.stacks.find((s) => s.zoneId === zone.id);
  return (
    <section aria-label={zone.name} className="rounded-lg border border-line bg-panel p-3" data-testid="weather-zone">
      <div className="flex items-center gap-2">
        <Chip colour={zone.colour ?? undefined} className="h-5 w-8" />
        <h2 className="min-w-0 truncate font-semibold">{zone.name}</h2>
        <span className="text-sm text-soft">faces {facingWord[zone.facing]}</span>
        <span className="ml-auto">
          <Menu
            label={`Add a mark to ${zone.name}`}
            icon={<Plus size={16} aria-hidden />}
            items={view.kinds
              .filter((k) => zone.kinds.includes(k.kind))
              .map((k) => ({
                label: markKindWord[k.kind],
                onSelect: () => hands.add.mutate({ zoneId: zone.id, kind: k.kind }),
              }))}
          />
        </span>
      </div>
      {zone.kinds.length === 0 ? <p className="text-sm text-soft">Nothing is found on what looks down.</p> : children}
      {sorted.length > 0 && (
        <div className="overflow-x-auto">
          <table className="w-full min-w-[56rem] text-sm">
            <thead className="text-left text-xs text-soft">
              <tr>
                <th className="py-1 font-semibold">Mark</th>
                <th className="w-28 font-semibold">On a copy</th>
                <th className="w-48 font-semibold">On the model</th>
                <th className="w-44 font-semibold">In life, and seen</th>
                <th className="w-56 font-semibold">With</th>
                <th className="w-24 text-right font-semibold">For all</th>
                <th className="w-28" aria-label="What can be done" />
              </tr>
            </thead>
            <tbody>
              {sorted.map((entry) => {
                const said = view.answer.entries.find((v) => v.id === entry.id);
                return (
                  said && (
                    <Row
                      key={entry.id}
                      entry={entry}
                      said={said}
                      stage={stages[stage.get(entry.kind)!.stage]!}
                      families={stage.get(entry.kind)!.families}
                      chosen={chosen === entry.id}
                      onChoose={() => onChoose(chosen === entry.id ? undefined : entry.id)}
                      hands={hands}
                      copy={view.answer.copy}
                    />
                  )
                );
              })}
            </tbody>
          </table>
        </div>
      )}
      {stack && (stack.added.length > 0 || stack.alarms > 0) && (
        <p className="mt-2 text-sm text-soft" data-testid="weather-added">
          {stack.added.length > 0 && <>So that it holds, into the coats goes also: {stack.added.join("; ")}. </>}
          {stack.alarms > 0 && (
            <span className="font-semibold text-risk">
              {stack.alarms === 1 ? "One finding" : `${stack.alarms} findings`} of the coats would be left to mend.
            </span>
          )}
        </p>
      )}
    </section>
  );
}

interface RowProps {
  entry: MarkEntry;
  said: EntryView;
  stage: string;
  families: string[];
  chosen: boolean;
  onChoose: () => void;
  hands: WeatheringHands;
  copy: number;
}

function Row({ entry, said, stage, families, chosen, onChoose, hands, copy }: RowProps) {
  const word = markKindWord[entry.kind];
  const b = bounds.EntryDraft;
  const set = (to: Partial<MarkEntry>, what = "") => void hands.change(entry.id, to, what && `${entry.id} ${what}`);
  const here = said.perCopy[copy - 1];
  return (
    <>
      <tr className={`border-t border-line align-top ${chosen ? "bg-tint" : ""}`} data-testid="weather-entry">
        <td className="py-1.5 pr-3">
          <button type="button" aria-pressed={chosen} className="text-left" onClick={onChoose} title="Show where it is">
            <span className="flex items-center gap-2 font-semibold whitespace-nowrap">
              <span
                aria-hidden
                className="inline-block size-3.5 shrink-0 rounded-sm border border-line"
                style={{ background: said.colour ?? "transparent" }}
              />
              {word}
              <span className="text-xs font-normal text-soft">{stage}</span>
            </span>
          </button>
        </td>
        <td className="py-1.5 pr-3">
          {said.strip ? (
            <span className="text-soft">a strip</span>
          ) : (
            <>
              <NumberInput
                label={`How many: ${word}`}
                value={entry.count}
                bound={b.count}
                onChange={(count) => set({ count }, "count")}
              />
              <span className="text-xs text-soft">
                {said.byNumber
                  ? here !== undefined && `${here} on this one, ${said.total} in all`
                  : "by sponge or flick"}
                {said.guess && ", by a guess"}
              </span>
            </>
          )}
        </td>
        <td className="py-1.5 pr-3">
          {entry.fromMm != null && entry.toMm != null && (
            <span className="flex items-center gap-1">
              <NumberInput
                label={`Strip from: ${word}`}
                value={entry.fromMm}
                bound={b.fromMm}
                bare
                unit="mm"
                className="w-16"
                onChange={(fromMm) => set({ fromMm }, "from")}
              />
              to
              <NumberInput
                label={`Strip to: ${word}`}
                value={entry.toMm}
                bound={b.toMm}
                unit="mm"
                className="w-24"
                onChange={(toMm) => set({ toMm }, "to")}
              />
            </span>
          )}
          {!said.strip && (
            <span className="mt-0.5 flex items-center gap-1">
              <NumberInput
                label={`Width: ${word}`}
                value={entry.widthMm}
                bound={b.widthMm}
                bare
                unit="mm"
                className="w-16"
                onChange={(widthMm) => set({ widthMm }, "width")}
              />
              x
              <NumberInput
                label={`Length: ${word}`}
                value={entry.lengthMm}
                bound={b.lengthMm}
                unit="mm"
                className="w-24"
                onChange={(lengthMm) => set({ lengthMm }, "length")}
              />
            </span>
          )}
        </td>
        <td className="py-1.5 pr-3">
          {said.lifeWidthMm > 0 && (
            <span className="block">
              {number(said.lifeWidthMm, 0)}
              {said.lifeLengthMm > 0 && ` x ${number(said.lifeLengthMm, 0)}`} mm,{" "}
              <span className={said.verdict === "tooWide" || said.verdict === "cannotBeDrawn" ? "font-semibold" : ""}>
                {widthVerdictWord[said.verdict]}
              </span>
            </span>
          )}
          {said.seen && <span className="block text-xs text-soft">{sightVerdictWord[said.seen]}</span>}
        </td>
        <td className="py-1.5 pr-3">
          <Material entry={entry} said={said} families={families} onChange={(materialId) => set({ materialId })} />
          <span className="block text-xs text-soft">
            {said.technique && techniqueWord[said.technique]}
            {said.tool && `, ${said.tool}`}
          </span>
        </td>
        <td className="py-1.5 text-right tabular-nums">
          {said.minutes > 0 && (
            <>
              {duration(said.minutes)}
              <span className="block text-xs text-soft">{number(said.ml, 2)} ml</span>
            </>
          )}
          {said.inStack && <span className="block text-xs text-soft">in the coats</span>}
        </td>
        <td className="py-1 text-right whitespace-nowrap">
          {!said.strip && (
            <IconButton label={`Draw again: ${word}`} onClick={() => set({ version: entry.version + 1 })}>
              <Dices size={15} aria-hidden />
            </IconButton>
          )}
          <IconButton
            label={entry.locked ? `Unlock: ${word}` : `Lock: ${word}`}
            aria-pressed={entry.locked}
            onClick={() => set({ locked: !entry.locked })}
          >
            {entry.locked ? <Lock size={15} aria-hidden /> : <LockOpen size={15} aria-hidden />}
          </IconButton>
          <IconButton
            label={`Drop: ${word}`}
            onClick={() =>
              void hands.keep((plan) => ({ ...plan, entries: plan.entries.filter((e) => e.id !== entry.id) }))
            }
          >
            <Trash2 size={15} aria-hidden />
          </IconButton>
        </td>
      </tr>
      <tr className={chosen ? "bg-tint" : ""}>
        <td colSpan={7} className="pb-1.5 text-xs text-soft">
          {said.why}
          {said.faults.map((f) => (
            <span key={f} role="alert" className="block font-semibold text-stop">
              {f}
            </span>
          ))}
        </td>
      </tr>
    </>
  );
}

interface MaterialProps {
  entry: MarkEntry;
  said: EntryView;
  families: string[];
  onChange: (id: string | null) => void;
}

function Material({ entry, said, families, onChange }: MaterialProps) {
  const shelf = useQuery(queries.materials());
  const fits = shelf.data?.filter((m) => families.includes(m.material.family)) ?? [];
  return (
    <Choice
      label={`What makes it: ${markKindWord[entry.kind]}`}
      value={entry.materialId ?? nearest}
      options={[
        {
          value: nearest,
          label: entry.materialId ? "the nearest on the shelf" : (said.material ?? "nothing on the shelf makes it"),
        },
        ...fits.map((m) => ({ value: m.id, label: m.material.name ?? "" })),
      ]}
      onChange={(id) => onChange(id === nearest ? null : id)}
    />
  );
}
