import { bounds } from "../../api/bounds";
import type { MixWish } from "../../api/types";
import type { MixSheet } from "../../api/types";
import { number, techniqueWord } from "../../api/words";
import { Chip, ColourInput, Field, isColour, NumberInput } from "../../ui";

const fits = { right: "right", tooThin: "too thin", tooThick: "too thick" } as const;

export interface SheetProps {
  sheet: MixSheet;
  question: MixWish;
  onQuestion: (question: MixWish) => void;
}

/** Colour over black, white and your own ground. */
export function Colours({ sheet, question, onQuestion }: SheetProps) {
  return (
    <section aria-label="Colour" className="text-sm">
      <h3 className="mb-1 font-semibold">Colour</h3>
      <div className="rounded bg-swatch p-3">
        {(
          [
            ["#161616", sheet.made.overBlack],
            ["#f2f2f0", sheet.made.overWhite],
            [question.ground, sheet.overGround],
          ] as const
        ).map(([ground, colours], row) => (
          <div key={row} className="flex gap-2 px-2 py-1.5" style={{ background: ground }}>
            {colours.map((colour, i) => (
              <span
                key={i}
                className="h-8 flex-1"
                style={{ background: colour }}
                title={`${i + 1} ${i === 0 ? "pass" : "passes"}: ${colour}`}
              />
            ))}
          </div>
        ))}
        <p className="pt-1 text-center text-xs text-ink">passes over black, over white, over your ground</p>
      </div>
      <Field label="Your ground" className="mt-2 max-w-52">
        {(id) => (
          <ColourInput
            id={id}
            label="ground"
            value={question.ground}
            onChange={(ground) => isColour(ground) && onQuestion({ ...question, ground })}
          />
        )}
      </Field>
    </section>
  );
}

/** True shares, thickness for the tools, and what is wrong with it. */
export function Thickness({ sheet }: { sheet: MixSheet }) {
  return (
    <section aria-label="Shares" className="text-sm">
      {sheet.warnings.map((w) => (
        <p key={w} className="mb-2 font-semibold text-risk">
          {w}
        </p>
      ))}
      <h3 className="mb-1 font-semibold">True shares by volume</h3>
      {sheet.made.shares.map((s) => (
        <div key={s.name} className="flex items-center gap-2 py-0.5">
          <Chip colour={s.colour ?? undefined} className="h-3.5 w-6" />
          <span className="min-w-0 flex-1 truncate">{s.name}</span>
          <span>{number(s.share * 100)} %</span>
        </div>
      ))}
      {sheet.made.paintFraction < 1 && (
        <p className="pt-1 text-soft">{number(sheet.made.paintFraction * 100)} % of it is paint.</p>
      )}
      {sheet.tools.length > 0 && (
        <>
          <h3 className="mt-3 mb-1 font-semibold">Thickness</h3>
          {sheet.tools.map((t) => (
            <div key={t.technique} className="flex gap-2 py-0.5">
              <span className="w-24">{techniqueWord[t.technique]}</span>
              <span className={t.fit === "right" ? "font-semibold" : "text-soft"}>{fits[t.fit]}</span>
              <span className="ml-auto text-soft">
                {t.least === t.most
                  ? `${number(t.least * 100, 0)} %`
                  : `${number(t.least * 100, 0)} to ${number(t.most * 100, 0)} %`}{" "}
                paint
              </span>
            </div>
          ))}
        </>
      )}
    </section>
  );
}

/** How to measure it out: ml, grams, drops, whole drops. */
export function Measure({ sheet, question, onQuestion }: SheetProps) {
  const jar = (ml: number) => (
    <button
      key={ml}
      type="button"
      className="rounded border border-line px-2 py-1 text-xs hover:bg-tint"
      onClick={() => onQuestion({ ...question, totalMl: Math.round(ml * 0.9 * 10) / 10 })}
    >
      {ml} ml jar
    </button>
  );
  return (
    <section aria-label="Measure it out" className="text-sm">
      <div className="mb-2 flex flex-wrap items-end gap-2">
        <Field label="Make">
          {(id) => (
            <NumberInput
              id={id}
              className="w-32"
              value={question.totalMl}
              bound={bounds.MixQuestion.totalMl}
              unit="ml"
              onChange={(totalMl) => onQuestion({ ...question, totalMl })}
            />
          )}
        </Field>
        {[10, 20, 50].map(jar)}
      </div>
      <table className="w-full border-t border-line">
        <thead className="text-xs text-soft">
          <tr>
            <th className="py-1 text-left font-semibold">Put in</th>
            <th className="w-14 text-right font-semibold">ml</th>
            <th className="w-14 text-right font-semibold">g</th>
            <th className="w-14 text-right font-semibold">drops</th>
            <th className="w-28 text-right font-semibold">within 5 %</th>
            <th className="w-28 text-right font-semibold">within 2 %</th>
          </tr>
        </thead>
        <tbody>
          {sheet.lines.map((line, i) => (
            <tr key={`${line.name} ${i}`} className="border-t border-line">
              <td className="py-1">{line.name}</td>
              <td className="text-right">{number(line.ml, 2)}</td>
              <td className="text-right">{number(line.grams, 2)}</td>
              <td className="text-right">{number(line.drops)}</td>
              <td className="text-right">{sheet.within5 ? <Count of={sheet.within5} at={i} /> : "–"}</td>
              <td className="text-right">{sheet.within2 ? <Count of={sheet.within2} at={i} /> : "–"}</td>
            </tr>
          ))}
          <tr className="border-t border-line text-soft">
            <td className="py-1">together</td>
            <td className="text-right">{number(question.totalMl, 2)}</td>
            <td colSpan={2} />
            {[sheet.within5, sheet.within2].map((r, i) => (
              <td key={i} className="text-right">
                {r ? (r.worstError > 0 ? `worst share ${number(r.worstError)} % off` : "exact") : "over 400 drops"}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <p className="pt-1 text-xs text-soft">
        Whole drops: the fewest that keep every share, or as many as the volume wants. Jars are made nine tenths full,
        so that they can be shaken.
      </p>
    </section>
  );
}

function Count({ of, at }: { of: NonNullable<MixSheet["within5"]>; at: number }) {
  return (
    <>
      <strong>{of.drops[at]}</strong>
      {of.roundsDrops[at] !== of.drops[at] && <span className="text-soft"> or {of.roundsDrops[at]}</span>}
    </>
  );
}
