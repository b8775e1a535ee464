import { dateLanguage, money } from "../../api/units";
import { Link } from "react-router";
import type { Amounts, Need } from "../../api/types";
import { number, thinnerWord } from "../../api/words";
import { Chip } from "../../ui";

const verdict = (n: Need) =>
  n.verdict === "enough"
    ? "enough"
    : n.verdict === "notCounted"
      ? "not counted"
      : n.verdict === "gone"
        ? "none on the shelf"
        : `short by ${number(n.shortMl, 1)} ml`;

/** Stones, slates, tufts and super glue that the bases still take, what is missing first. */
export function Elements({ amounts }: { amounts: Amounts }) {
  const { elements, superGlueDrops } = amounts;
  if (elements.length === 0 && superGlueDrops === 0) return null;
  const missing = elements.filter((e) => e.short > 0).length;
  return (
    <section aria-label="For the bases" className="rounded-lg border border-line bg-panel" data-testid="elements">
      <h2 className="border-b border-line px-3 py-2 font-semibold">
        For the bases
        <span className={`ml-2 text-sm font-normal ${missing > 0 ? "text-risk" : "text-soft"}`}>
          {missing === 0 ? "the boxes have enough" : `${missing} to get`}
        </span>
      </h2>
      <table className="w-full text-sm">
        <thead className="text-xs text-soft">
          <tr>
            <th className="py-1 pl-3 text-left font-semibold">From the boxes</th>
            <th className="text-right font-semibold">needed</th>
            <th className="text-right font-semibold">left</th>
            <th className="pr-3 text-right font-semibold">verdict</th>
          </tr>
        </thead>
        <tbody>
          {elements.map((e) => (
            <tr key={e.boxId} className="border-t border-line" data-short={e.short}>
              <td className="py-1 pl-3 font-semibold">{e.name}</td>
              <td className="text-right">{e.needed}</td>
              <td className="text-right text-soft">{e.left}</td>
              <td className={`pr-3 text-right ${e.short > 0 ? "font-semibold text-stop" : "text-soft"}`}>
                {e.short > 0 ? `${e.short} short` : "enough"}
              </td>
            </tr>
          ))}
          {superGlueDrops > 0 && (
            <tr className="border-t border-line">
              <td className="py-1 pl-3 font-semibold">Super glue</td>
              <td className="text-right">{number(superGlueDrops, 0)} drops</td>
              <td />
              <td className="pr-3 text-right font-semibold text-stop">none on the shelf</td>
            </tr>
          )}
        </tbody>
      </table>
    </section>
  );
}

/** What comes from the bottles, what is missing first. */
export function Needs({ amounts }: { amounts: Amounts }) {
  const missing = amounts.materials.filter((m) => m.verdict !== "enough").length;
  const toPay = amounts.materials.reduce((n, m) => n + (m.buyPrice ?? 0), 0);
  return (
    <section aria-label="Materials" className="rounded-lg border border-line bg-panel">
      <h2 className="border-b border-line px-3 py-2 font-semibold">
        From the bottles
        <span className={`ml-2 text-sm font-normal ${missing > 0 ? "text-risk" : "text-soft"}`} data-testid="missing">
          {amounts.materials.length === 0
            ? ""
            : missing === 0
              ? "the shelf has enough of everything"
              : `${missing} to buy${toPay > 0 ? `, ${money(toPay)}` : ""}`}
        </span>
      </h2>
      {amounts.materials.length === 0 && (
        <p className="p-4 text-sm text-soft">
          Nothing to mix here. Plan coats in a{" "}
          <Link className="underline" to="/piece">
            stack
          </Link>
          , or tick tonight’s.
        </p>
      )}
      <table className="w-full text-sm">
        <thead className="text-xs text-soft">
          <tr>
            <th className="py-1 pl-3 text-left font-semibold">Material</th>
            <th className="text-right font-semibold">needed</th>
            <th className="pl-2 text-right font-semibold max-sm:hidden">drops</th>
            <th className="text-right font-semibold">left</th>
            <th className="pr-3 text-right font-semibold">verdict</th>
          </tr>
        </thead>
        <tbody>
          {amounts.materials.map((m) => (
            <tr key={m.materialId} className="border-t border-line" data-verdict={m.verdict}>
              <td className="py-1 pl-3">
                <span className="flex items-center gap-2">
                  <Chip colour={m.colour} className="h-4 w-7" />
                  <span className="min-w-0">
                    <span className="block font-semibold">{m.name}</span>
                    {(m.openedLongAgo || m.lots.length > 1) && (
                      <span className="block text-xs text-risk">
                        {m.openedLongAgo && `opened ${monthYear(m.oldestOpenedOn)}: test it first`}
                        {m.openedLongAgo && m.lots.length > 1 && "; "}
                        {m.lots.length > 1 && `lots ${m.lots.join(" and ")}: mix them first`}
                      </span>
                    )}
                  </span>
                </span>
              </td>
              <td className="pl-3 text-right whitespace-nowrap">
                {number(m.ml, 2)} ml
                {m.reserveMl >= 0.01 && (
                  <span className="block text-xs text-soft">+ {number(m.reserveMl, 2)} for slips</span>
                )}
              </td>
              <td className="pl-3 text-right max-sm:hidden">{m.drops ?? "–"}</td>
              <td className="pl-3 text-right whitespace-nowrap text-soft">
                {m.verdict === "notCounted" ? "–" : `${number(m.leftMl)} ml`}
              </td>
              <td
                className={`pr-3 pl-3 text-right sm:whitespace-nowrap ${m.verdict === "enough" || m.verdict === "notCounted" ? "text-soft" : "font-semibold text-stop"}`}
              >
                {verdict(m)}
                {(m.bottles ?? 0) > 0 && (
                  <span className="block text-xs font-normal text-ink">
                    buy {m.bottles} × {number(m.bottleMl!)} ml{m.buyPrice != null && `, ${money(m.buyPrice)}`}
                  </span>
                )}
              </td>
            </tr>
          ))}
          {amounts.thinners.map((t) => (
            <tr key={t.thinner} className="border-t border-line">
              <td className="py-1 pl-3">{thinnerWord[t.thinner]}</td>
              <td className="text-right">{number(t.ml, 2)} ml</td>
              <td className="text-right max-sm:hidden">{t.drops}</td>
              <td />
              <td className="pr-3 text-right text-soft">not counted</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const monthYear = (date: string | null | undefined) =>
  date ? new Date(date).toLocaleDateString(dateLanguage(), { month: "long", year: "numeric" }) : "";
