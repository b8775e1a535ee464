import type { Symptom } from "../../api/types";
import { drawings } from "./drawings";

/** A small drawing of what is seen. */
export function SymptomDrawing({ of, size = 40 }: { of: string; size?: number }) {
  const d = drawings[of];
  if (!d) return null;
  return (
    <svg aria-hidden width={size} height={size} viewBox="0 0 32 32" className="shrink-0 rounded bg-swatch">
      {d.light && <path d={d.light} className="fill-raised" />}
      {d.dark && <path d={d.dark} className="fill-ink" fillOpacity={0.55} />}
      {d.lines && <path d={d.lines} fill="none" className="stroke-ink" strokeWidth={1.4} strokeLinecap="round" />}
    </svg>
  );
}

interface Props {
  symptoms: Symptom[];
  onChoose: (key: string) => void;
}

/** What a painter may see and not want, group by group; what the coats have nothing for stands back. */
export function Symptoms({ symptoms, onChoose }: Props) {
  const groups = [...new Set(symptoms.map((s) => s.group))];
  return (
    <div className="columns-1 gap-3 sm:columns-2 xl:columns-3" data-testid="symptoms">
      {groups.map((g) => (
        <section key={g} aria-label={g} className="mb-3 break-inside-avoid">
          <h3 className="mb-1 text-xs font-semibold text-soft">{g}</h3>
          <ul className="flex flex-col gap-1">
            {symptoms
              .filter((s) => s.group === g)
              .sort((a, b) => Number(b.fits) - Number(a.fits))
              .map((s) => (
                <li key={s.key}>
                  <button
                    type="button"
                    onClick={() => onChoose(s.key)}
                    className={`flex w-full items-center gap-2 rounded border border-line bg-raised p-1 text-left hover:bg-tint ${s.fits ? "" : "text-soft"}`}
                  >
                    <SymptomDrawing of={s.key} />
                    <span className="min-w-0 text-sm leading-tight">
                      <strong className="font-semibold">{s.name}</strong>
                      <span className="block text-xs text-soft">{s.sees}</span>
                    </span>
                  </button>
                </li>
              ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
