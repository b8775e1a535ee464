import type { Coat, Finding } from "../../api/types";
import { techniqueWord } from "../../api/words";
import { Button, SeverityMark } from "../../ui";

interface Props {
  findings: Finding[];
  shown: Finding | null;
  failed: string | null;
  coats: Coat[];
  onShow: (finding: Finding) => void;
  onMend: (finding: Finding, mend: string) => void;
}

/** What will go wrong, why, and the keys that mend it. */
export function FindingsList({ findings, shown, failed, coats, onShow, onMend }: Props) {
  return (
    <section aria-label="Findings" className="flex min-h-0 flex-col rounded-lg border border-line bg-panel">
      <h2 className="border-b border-line px-4 py-2.5 font-semibold">Findings</h2>
      <div className="min-h-0 flex-1 overflow-y-auto">
        {failed && (
          <p role="alert" className="border-b border-line p-4 text-sm font-semibold text-stop">
            {failed}
          </p>
        )}
        {!failed && findings.length === 0 && (
          <p className="p-4 text-sm text-soft">
            {coats.length === 0
              ? "Findings come with the first coats."
              : "Nothing will go wrong in this order, as far as the rules know."}
          </p>
        )}
        <ul>
          {findings.map((f) => {
            const index = coats.findIndex((c) => c.id === f.coatId);
            return (
              <li
                key={f.rule + f.aspect + f.coatId}
                data-rule={f.rule}
                className={`border-b border-line p-3 ${f === shown ? "bg-tint" : ""}`}
              >
                <button
                  type="button"
                  onClick={() => onShow(f)}
                  className="flex w-full items-start gap-2 text-left text-sm"
                >
                  <span className="pt-0.5">
                    <SeverityMark severity={f.severity} />
                  </span>
                  <span>
                    <span className="font-semibold">{f.what}</span>
                    <span className="block text-soft">{f.why}</span>
                    <span className="block text-xs text-soft">
                      Coat {index + 1}, {coats[index] && techniqueWord[coats[index].technique].toLowerCase()}
                    </span>
                  </span>
                </button>
                {f.mends.length > 0 && (
                  <div className="mt-2 flex flex-col gap-1 pl-6">
                    {f.mends.map((m, i) => (
                      <Button
                        key={m.id}
                        className="justify-start text-left font-normal!"
                        onClick={() => onMend(f, m.id)}
                      >
                        <span className="flex-1">{m.label}</span>
                        {i === 0 && (f === shown || (!shown && f === findings.find((x) => x.mends.length > 0))) && (
                          <kbd className="rounded border border-line px-1 font-sans text-xs text-soft">m</kbd>
                        )}
                      </Button>
                    ))}
                  </div>
                )}
              </li>
            );
          })}
        </ul>
      </div>
    </section>
  );
}
