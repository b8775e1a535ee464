import { length } from "../../api/units";
import { ArrowLeft, ArrowRight, Dices, Lock, LockOpen, Plus, RotateCcw, RotateCw, Ruler, Trash2 } from "lucide-react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import type { Tray, TrayBase } from "../../api/types";
import { choices, number, stanceWord, textureWord } from "../../api/words";
import { Button, Choice, Field, IconButton, Menu, NumberInput, Toggle } from "../../ui";
import { BaseStage, removeElement } from "./BaseStage";
import { Takes } from "./TrayPanel";
import { useJudged } from "./useJudged";
import type { TrayHands } from "./useTray";

const stagePx = 480;
const turnDeg = 15;

interface Props {
  tray: Tray;
  base: TrayBase;
  hands: TrayHands;
  onChoose: (copy: number) => void;
  onClose: () => void;
}

/** One base of the tray, large, with what there is to say of it. */
export function BasePanel({ tray, base, hands, onChoose, onClose }: Props) {
  const [element, setElement] = useState<number>();
  const [heights, setHeights] = useState(false);
  const live = useJudged(tray, base);
  const { kept } = base;
  const stays = base.laid || kept.locked;
  const of = element === undefined ? undefined : base.elements[element]?.element;
  const set = (part: object) => element !== undefined && void hands.element(base.copy, element, part);
  const stage = Math.min(stagePx, Math.max(280, Math.round(kept.form.lengthMm * 14)));
  return (
    <section aria-label={`Base ${base.copy}`} className="rounded-lg border border-line bg-panel p-3 text-sm">
      <div className="mb-2 flex flex-wrap items-center gap-1">
        <h2 className="mr-auto text-base font-semibold">
          Base {base.copy}{" "}
          <span className="font-normal text-soft" data-testid="live">
            {live.judged?.nearest
              ? `as it is held: nearest to base ${live.judged.nearest.copy}, ${number(live.judged.nearest.distance, 2)}`
              : base.word}
          </span>
        </h2>
        <IconButton label="Base before" disabled={base.copy === 1} onClick={() => onChoose(base.copy - 1)}>
          <ArrowLeft size={15} aria-hidden />
        </IconButton>
        <IconButton
          label="Next base"
          disabled={base.copy === tray.bases.length}
          onClick={() => onChoose(base.copy + 1)}
        >
          <ArrowRight size={15} aria-hidden />
        </IconButton>
        <Button look="quiet" onClick={onClose}>
          Whole tray
        </Button>
      </div>
      <div className="flex flex-wrap items-center gap-1 pb-2">
        <Button disabled={stays || hands.busy} onClick={() => void hands.rollAnew({ copies: [base.copy] })}>
          <Dices size={15} aria-hidden /> Roll
        </Button>
        <Button
          disabled={base.laid}
          aria-pressed={kept.locked}
          onClick={() => void hands.change(base.copy, (k) => ({ ...k, locked: !k.locked }))}
        >
          {kept.locked ? <Lock size={15} aria-hidden /> : <LockOpen size={15} aria-hidden />}
          {kept.locked ? "Locked" : "Lock"}
        </Button>
        <Button aria-pressed={heights} onClick={() => setHeights(!heights)}>
          <Ruler size={15} aria-hidden /> Heights
        </Button>
        <AddElement tray={tray} base={base} hands={hands} disabled={stays} onAdded={setElement} />
      </div>
      {base.laid && <p className="pb-2 text-soft">Glued down, says the log: it stays as it is.</p>}
      <div className="flex justify-center pb-5">
        <BaseStage
          tray={tray}
          base={base}
          hands={hands}
          size={stage}
          heights={heights}
          chosen={element}
          onChoose={setElement}
          onHeights={() => setHeights(!heights)}
          onHeld={(place, at) => void live.judge(place, at)}
          onLet={live.forget}
        />
      </div>
      {of ? (
        <div className="flex flex-wrap items-center gap-1 border-t border-line pt-2">
          <span className="mr-auto min-w-0 truncate">
            <strong className="font-semibold">{of.name}</strong>{" "}
            <span className="text-soft">
              {length(of.lengthMm)} × {length(of.widthMm)} × {length(of.heightMm)}
              {of.insteadOf && `, instead of ${of.insteadOf}`}
            </span>
          </span>
          <IconButton
            label="Turn left"
            disabled={stays || of.locked}
            onClick={() => set({ angleDeg: (of.angleDeg + turnDeg) % 360 })}
          >
            <RotateCcw size={15} aria-hidden />
          </IconButton>
          <IconButton
            label="Turn right"
            disabled={stays || of.locked}
            onClick={() => set({ angleDeg: (of.angleDeg - turnDeg + 360) % 360 })}
          >
            <RotateCw size={15} aria-hidden />
          </IconButton>
          <IconButton
            label={of.locked ? "Unlock it" : "Lock it"}
            disabled={stays}
            onClick={() => set({ locked: !of.locked })}
          >
            {of.locked ? <Lock size={15} aria-hidden /> : <LockOpen size={15} aria-hidden />}
          </IconButton>
          <IconButton
            label="Take it off"
            disabled={stays || of.locked}
            onClick={() => removeElement(hands, base.copy, element!, () => setElement(undefined))}
          >
            <Trash2 size={15} aria-hidden />
          </IconButton>
          <span className="flex w-full items-center justify-end gap-2 text-xs text-soft">
            Out over the edge
            <NumberInput
              className="w-24"
              label="Out over the edge"
              value={of.overhangMm}
              bound={bounds.ElementDraft.overhangMm}
              unit="mm"
              onChange={(overhangMm) => !stays && set({ overhangMm })}
            />
          </span>
        </div>
      ) : (
        <p className="border-t border-line pt-2 text-xs text-soft">
          Drag what stands on it; it slides along what is in its way. Outlined: where the figure stands. The mark below
          is the front.
        </p>
      )}
      <Said base={live.judged?.base ?? base} />
      <FigureFields base={base} hands={hands} stays={stays} />
      <Takes takes={base.takes} />
    </section>
  );
}

function Said({ base }: { base: TrayBase }) {
  const faults = base.elements.filter((e) => e.fault).map((e) => e.fault);
  const grounds = (Object.keys(textureWord) as (keyof typeof textureWord)[])
    .map((key, i) => ({ word: textureWord[key], share: base.shares[i] ?? 0 }))
    .filter((g) => g.share > 0.005);
  return (
    <div className="mt-2 border-t border-line pt-2">
      <p>
        Calm {number(100 * base.calm, 0)} %, belongs {number(base.resemblance, 2)} of 1, composed{" "}
        {number(base.score, 1)} <span className="text-soft">(0 is best)</span>
      </p>

      <p className="text-soft">{grounds.map((g) => `${g.word} ${number(100 * g.share, 0)} %`).join(", ")}</p>
      {[...base.marks, ...faults].map((text) => (
        <p key={text} className="font-semibold text-risk">
          {text}
        </p>
      ))}
      {base.notes.map((text) => (
        <p key={text} className="text-soft">
          {text}
        </p>
      ))}
      {base.steady && (
        <p className={base.steady.tipsAtDeg < base.steady.wantedDeg ? "font-semibold text-risk" : "text-soft"}>
          {base.steady.verdict}
        </p>
      )}
    </div>
  );
}

function FigureFields({ base, hands, stays }: { base: TrayBase; hands: TrayHands; stays: boolean }) {
  const { figure } = base.kept;
  const [open, setOpen] = useState(false);
  const set = (part: Partial<typeof figure>) =>
    void hands.change(base.copy, (k) => ({ ...k, figure: { ...k.figure, ...part } }));
  const f = bounds.BaseFigureDraft;
  const lines: [
    keyof typeof figure &
      (
        | "landingMm"
        | "landingWidthMm"
        | "spreadMm"
        | "axlesMm"
        | "atXMm"
        | "atYMm"
        | "hemMm"
        | "overhangMm"
        | "weightG"
        | "centreMm"
      ),
    string,
    string,
  ][] = [
    ["landingMm", "Length of a landing", "mm"],
    ["landingWidthMm", "Its width", "mm"],
    ["spreadMm", "Apart, side to side", "mm"],
    ["axlesMm", "Between axles", "mm"],
    ["atXMm", "Stands to the right", "mm"],
    ["atYMm", "Stands to the rear", "mm"],
    ["hemMm", "Room under the hem", "mm"],
    ["overhangMm", "The hem reaches", "mm"],
    ["weightG", "Weight", "g"],
    ["centreMm", "Its middle, above", "mm"],
  ];
  const shown = lines.filter(([key]) =>
    key === "axlesMm"
      ? figure.stance === "fourWheels"
      : key === "spreadMm"
        ? figure.stance === "twoFeet" || figure.stance === "fourWheels"
        : true,
  );
  return (
    <details className="mt-2 border-t border-line pt-2" open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="cursor-pointer">
        Figure: {stanceWord[figure.stance]}
        {figure.weightG > 0 && `, ${number(figure.weightG, 1)} g`}
      </summary>
      {open && (
        <div className="mt-2 grid grid-cols-2 gap-2">
          <Field label="How it stands">
            {(id) => (
              <Choice
                id={id}
                label="How it stands"
                value={figure.stance}
                options={choices(stanceWord)}
                onChange={(stance) =>
                  set({ stance, landingMm: figure.landingMm || 7, landingWidthMm: figure.landingWidthMm || 4 })
                }
              />
            )}
          </Field>
          <div className="self-end pb-1">
            <Toggle
              label="Ground between kept free"
              checked={figure.hullFree}
              onChange={(hullFree) => set({ hullFree })}
            />
          </div>
          {figure.stance !== "none" &&
            shown.map(([key, label, unit]) => (
              <Field key={key} label={label}>
                {(id) => (
                  <NumberInput
                    id={id}
                    value={figure[key]}
                    bound={f[key]}
                    unit={unit}
                    onChange={(v) => !stays && set({ [key]: v })}
                  />
                )}
              </Field>
            ))}
          {base.landings.map((landing, i) => (
            <Field key={landing.name} label={`Flat stone, ${landing.name}`}>
              {(id) => (
                <NumberInput
                  id={id}
                  value={figure.stonesMm?.[i] ?? 0}
                  bound={f.stonesMm}
                  unit="mm"
                  onChange={(v) =>
                    !stays &&
                    set({ stonesMm: base.landings.map((_, k) => (k === i ? v : (figure.stonesMm?.[k] ?? 0))) })
                  }
                />
              )}
            </Field>
          ))}
        </div>
      )}
    </details>
  );
}

interface AddProps {
  tray: Tray;
  base: TrayBase;
  hands: TrayHands;
  disabled: boolean;
  onAdded: (element: number) => void;
}

function AddElement({ tray, base, hands, disabled, onAdded }: AddProps) {
  const boxes = useQuery(queries.elementBoxes());
  const left = tray.boxes.filter((b) => b.count > b.used);
  if (left.length === 0) return null;
  const add = (id: string) => {
    const box = boxes.data?.find((b) => b.id === id)?.box;
    if (!box) return;
    const place = base.elements.length;
    void hands
      .change(base.copy, (k) => ({
        ...k,
        elements: [
          ...k.elements,
          {
            boxId: id,
            name: box.name,
            kind: box.kind,
            seed: Math.floor(Math.random() * 2 ** 32),
            lengthMm: box.lengthMm,
            widthMm: box.widthMm,
            heightMm: box.heightMm,
            x: 0,
            y: Math.round(k.form.widthMm * 0.25),
            angleDeg: 0,
            cluster: Math.min(99, 1 + Math.max(-1, ...k.elements.map((e) => e.cluster))),
            heart: true,
            locked: false,
            overhangMm: 0,
            insteadOf: "",
          },
        ],
      }))
      .then((done) => done && onAdded(place));
  };
  return (
    <Menu
      label="Add by hand"
      icon={<Plus size={16} aria-hidden />}
      items={left.map((b) => ({
        label: `${b.name}, ${b.count - b.used} left`,
        disabled,
        onSelect: () => add(b.boxId),
      }))}
    />
  );
}
