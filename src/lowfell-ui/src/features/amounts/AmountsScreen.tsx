import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { Printer } from "lucide-react";
import { useState } from "react";
import { Problem, wording } from "../../api/client";
import type { AmountsRequest } from "../../api/types";
import { useChosen } from "../../craft/useChosen";
import { saveFile } from "../../craft/saveFile";
import { Button, Choice, notify, Toggle } from "../../ui";
import { CoatAmounts } from "./CoatAmounts";
import { CopiesTrial } from "./CopiesTrial";
import { Elements, Needs } from "./Needs";
import { OneForBoth } from "./OneForBoth";
import { ByPiece, Takes } from "./Takes";

type Palette = NonNullable<AmountsRequest["palette"]>;
/** More pieces than these are not tried one by one. */
const mostTried = 60;
const key = (schemeId: string, coatId: string) => `${schemeId} ${coatId}`;

/** How much of everything over all copies, and whether the shelf has it. */
export const AmountsScreen = () => <AmountsOf />;

/** The same of one piece, where it is named. */
export function AmountsOf({ pieceId }: { pieceId?: string }) {
  const [of, setScope] = useChosen("of");
  const scope = of ?? "all";
  const [palette, setPalette] = useState<Palette>("wet");
  const [copies, setCopies] = useState<Record<string, number>>({});
  const [dilutions, setDilutions] = useState<Record<string, number>>({});
  const [chosen, setChosen] = useState<string[]>([]);
  const [tonight, setTonight] = useState(false);
  const sets = useQuery({ ...queries.cards(), enabled: !pieceId });
  const zones = useQuery(queries.zones());
  const schemes = useQuery(queries.schemes());
  const [kind, id] = scope.split(":");
  const request: AmountsRequest = {
    palette,
    pieceId,
    ...(kind === "set" ? { setId: id } : kind === "scheme" ? { schemeId: id } : {}),
    copies: Object.entries(copies).map(([pieceId, count]) => ({ pieceId, copies: count })),
    dilutions: Object.entries(dilutions).map(([at, paintFraction]) => {
      const [schemeId, coatId] = at.split(" ") as [string, string];
      return { schemeId, coatId, paintFraction };
    }),
    ...(tonight
      ? {
          only: chosen.map((at) => {
            const [schemeId, coatId] = at.split(" ") as [string, string];
            return { schemeId, coatId };
          }),
        }
      : {}),
  };
  const amounts = useQuery(queries.amounts(request));
  const wanted = (zones.data ?? []).filter((z) => (pieceId ? z.pieceId === pieceId : kind !== "set" || z.setId === id));
  const pieces = [...new Map(wanted.map((z) => [z.pieceId, z])).values()].slice(0, mostTried);
  const options = [
    { value: "all", label: "Everything that is open" },
    ...(sets.data ?? []).map((s) => ({ value: `set:${s.id}`, label: s.name, group: "A set" })),
    ...(schemes.data ?? [])
      .filter((s) => s.zones > 0 && s.coats > 0)
      .map((s) => ({ value: `scheme:${s.id}`, label: s.name, group: "A scheme" })),
  ];
  const touched = Object.keys(copies).length > 0 || Object.keys(dilutions).length > 0;
  return (
    <div className={pieceId ? "w-full pb-10" : "mx-auto w-full max-w-[1500px] px-4 pb-10"}>
      <div className={`flex flex-wrap items-center gap-3 ${pieceId ? "pb-2" : "py-3"}`}>
        <h1 className="text-lg font-semibold">Amounts</h1>
        {!pieceId && (
          <div className="w-64 print:hidden">
            <Choice label="Amounts of" value={scope} options={options} onChange={setScope} />
          </div>
        )}
        <div className="w-40 print:hidden">
          <Choice<Palette>
            label="Palette"
            value={palette}
            options={[
              { value: "wet", label: "on a wet palette" },
              { value: "dry", label: "on a dry palette" },
            ]}
            onChange={setPalette}
          />
        </div>
        <span className="print:hidden">
          <Toggle label={`Only tonight’s coats (${chosen.length} ticked)`} checked={tonight} onChange={setTonight} />
        </span>
        <span className="hidden print:inline">
          {options.find((o) => o.value === scope)?.label}
          {tonight && ", tonight"}
        </span>
        {touched && (
          <Button
            look="quiet"
            onClick={() => {
              setCopies({});
              setDilutions({});
            }}
          >
            Back to the plan
          </Button>
        )}
        <span className="ml-auto flex gap-2 print:hidden">
          <Button onClick={() => void saveList(request)}>Shopping list as CSV</Button>
          <Button onClick={() => window.print()}>
            <Printer size={15} aria-hidden /> Print
          </Button>
        </span>
      </div>
      {amounts.isError && (
        <p role="alert" className="pb-3 text-sm font-semibold text-stop">
          {wording(amounts.error)}
        </p>
      )}
      {!amounts.data && !amounts.isError && <p className="text-soft">Adding up…</p>}
      {amounts.data && (
        <div className="flex flex-wrap items-start justify-between gap-x-4">
          <Takes amounts={amounts.data} />
          {kind === "set" && !pieceId && id && (
            <span className="print:hidden">
              <OneForBoth key={id} setId={id} />
            </span>
          )}
        </div>
      )}
      {amounts.data && (
        <div className="grid grid-cols-1 items-start gap-3 lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)] print:grid-cols-1">
          <div className="flex flex-col gap-3">
            <Needs amounts={amounts.data} />
            <Elements amounts={amounts.data} />
            <ByPiece amounts={amounts.data} />
            <CopiesTrial
              pieces={pieces}
              tried={copies}
              onTry={(pieceId, count) => setCopies({ ...copies, [pieceId]: count })}
            />
          </div>
          <CoatAmounts
            coats={amounts.data.coats}
            tonight={tonight}
            chosen={chosen}
            onChoose={(c, on) =>
              setChosen(
                on ? [...chosen, key(c.schemeId, c.coatId)] : chosen.filter((k) => k !== key(c.schemeId, c.coatId)),
              )
            }
            onDilute={(c, fraction) => setDilutions({ ...dilutions, [key(c.schemeId, c.coatId)]: fraction })}
          />
        </div>
      )}
    </div>
  );
}

async function saveList(request: AmountsRequest) {
  try {
    const answer = await fetch("/api/amounts/shopping.csv", {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify(request),
    });
    if (!answer.ok) throw new Problem(answer.status, "The list could not be made.", {}, null);
    saveFile(await answer.blob(), "shopping-list.csv");
  } catch (error) {
    notify(wording(error));
  }
}
