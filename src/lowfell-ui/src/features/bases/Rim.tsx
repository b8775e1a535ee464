import { length } from "../../api/units";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { Tray } from "../../api/types";
import { number } from "../../api/words";
import { Button, Choice, Field, notify, Toggle } from "../../ui";

/** The rims of the bases as a zone of their own: two coats, and copy numbers where the school paints them. */
export function Rim({ tray }: { tray: Tray }) {
  const rim = useQuery(queries.trayRim(tray.id));
  const shelf = useQuery(queries.materials());
  const [paint, setPaint] = useState<string>();
  const [numbers, setNumbers] = useState<boolean>();
  const [ink, setInk] = useState<string>();
  const [fault, setFault] = useState<string>();
  if (!rim.data) return null;
  const of = rim.data;
  const team = of.school === "teamColour";
  const painted = paint ?? of.paintId ?? "";
  const numbered = numbers ?? team;
  const inked = ink ?? of.numberId ?? "";
  const options = (shelf.data ?? []).map((m) => ({ value: m.id, label: m.material.name ?? "" }));
  async function take() {
    setFault(undefined);
    try {
      await ask(
        api.POST("/api/trays/{id}/rim", {
          params: { path: { id: tray.id } },
          body: { paintId: painted, numberId: numbered && inked ? inked : null },
        }),
      );
      notify("The rim is a zone of its own now, with two coats.");
    } catch (error) {
      setFault(wording(error));
    }
    await changed("tree", "tray", "stack");
  }
  return (
    <section aria-label="Rim" className="mt-4 border-t border-line pt-3 text-sm">
      <h3 className="font-semibold">Rim</h3>
      {of.zoneId ? (
        <p>
          It is the zone{" "}
          <Link className="font-semibold underline" to={`/piece/${tray.pieceId}/coats/${of.zoneId}`}>
            {of.zone}
          </Link>
          , {number(of.areaMm2 / 100, 1)} cm² on a copy.
        </p>
      ) : (
        <>
          <p className="text-soft">
            {team ? "The colour of its team, with copy numbers" : "One neutral dark for the whole force"}, as{" "}
            <Link className="underline" to="/settings/schools">
              your school
            </Link>{" "}
            has it: two coats on {number(of.areaMm2 / 100, 1)} cm² of each copy, the edge of the ground wiped clean.
          </p>
          <div className="mt-2 flex flex-wrap items-end gap-3">
            <Field label="Rim painted with" className="w-56">
              {(id) => (
                <Choice id={id} label="Rim painted with" value={painted} options={options} onChange={setPaint} />
              )}
            </Field>
            <div className="pb-1">
              <Toggle label="Copy numbers" checked={numbered} onChange={setNumbers} />
            </div>
            {numbered && (
              <Field label="Numbers in" className="w-56">
                {(id) => <Choice id={id} label="Numbers in" value={inked} options={options} onChange={setInk} />}
              </Field>
            )}
            <Button disabled={!painted || (numbered && !inked)} onClick={() => void take()}>
              Make it a zone
            </Button>
          </div>
          {numbered && (
            <p className="mt-1 text-soft">
              {of.numberMm > 0
                ? `Numbers ${length(of.numberMm)} high fit at the rear.`
                : "The rim is too low for a number: it goes underneath."}
            </p>
          )}
          {fault && (
            <p role="alert" className="mt-2 font-semibold text-stop">
              {fault}
            </p>
          )}
        </>
      )}
    </section>
  );
}
