import { dateLanguage } from "../../api/units";
import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import { changed } from "../../api/changes";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { Material, Stripe, StripeDraft } from "../../api/types";
import { number, offFigure } from "../../api/words";
import { Button, Chip, ColourInput, Field, isColour, NumberInput, notify } from "../../ui";
import { useReader } from "./useReader";

type Spot = "blackField" | "whiteField" | "overBlack" | "overWhite";
const spots: { spot: Spot; label: string; onWhite: boolean; stripe: boolean }[] = [
  { spot: "blackField", label: "Bare black field", onWhite: false, stripe: false },
  { spot: "whiteField", label: "Bare white field", onWhite: true, stripe: false },
  { spot: "overBlack", label: "Stripe over black", onWhite: false, stripe: true },
  { spot: "overWhite", label: "Stripe over white", onWhite: true, stripe: true },
];

/** Colour calibration: a stripe painted over a black and a white field gives the true film of this bottle. */
export function StripePanel({ material }: { material: Material }) {
  const [draft, setDraft] = useState<StripeDraft>({
    overBlack: "",
    overWhite: "",
    blackField: "#1a1a1a",
    whiteField: "#ececea",
    dryFilmUm: 20,
  });
  const [fault, setFault] = useState<string>();
  const reader = useReader((spot, colour) => setDraft((d) => ({ ...d, [spot]: colour })));
  const kept = useQuery(queries.calibrations(material));
  const whole = spots.every(({ spot }) => isColour(draft[spot]));
  const solved = useQuery(queries.stripe(material, draft, whole));
  async function run(call: () => Promise<unknown>, done: string) {
    try {
      await call();
      await changed("shelf");
      setFault(undefined);
      notify(done);
    } catch (error) {
      setFault(wording(error));
    }
  }
  const choose = (calibrationId?: string) =>
    run(
      () =>
        ask(
          api.PUT("/api/materials/{id}/calibration", {
            params: { path: { id: material.id }, query: { version: material.version } },
            body: { calibrationId },
          }),
        ),
      calibrationId ? "That stripe is in force." : "Predictions follow the swatch again.",
    );
  return (
    <div className="flex flex-col gap-4 p-4 text-sm">
      <p className="text-soft">
        Paint one even coat over a black and a white card, let it dry, and enter or read both colours. The film must let
        the cards show a little.
      </p>
      <div className="grid grid-cols-2 gap-3">
        {spots.map(({ spot, label, onWhite, stripe }) => (
          <Field key={spot} label={label}>
            {(id) => (
              <span className="flex flex-col gap-1">
                <ColourInput
                  id={id}
                  label={label}
                  value={draft[spot]}
                  onChange={(v) => setDraft({ ...draft, [spot]: v })}
                />
                <Button
                  look="quiet"
                  className="self-start !px-1 !text-xs"
                  onClick={() =>
                    reader.aim(spot, {
                      whiteField: onWhite,
                      materialId: stripe ? material.id : undefined,
                      dryFilmUm: draft.dryFilmUm,
                    })
                  }
                >
                  {reader.spot === spot ? `reading ${reader.seen ?? "…"}` : "Read with the colour reader"}
                </Button>
              </span>
            )}
          </Field>
        ))}
        <Field label="Dry film of the stripe" hint="one brushed coat is about 20 µm">
          {(id) => (
            <NumberInput
              id={id}
              value={draft.dryFilmUm}
              bound={bounds.StripeDraft.dryFilmUm}
              unit="µm"
              onChange={(dryFilmUm) => setDraft({ ...draft, dryFilmUm })}
            />
          )}
        </Field>
        <p className="self-end text-xs text-soft">The colour reader here is a simulated one.</p>
      </div>
      {(fault || solved.isError) && (
        <p role="alert" className="font-semibold text-stop">
          {fault ?? wording(solved.error)}
        </p>
      )}
      {solved.data && !solved.isError && (
        <Outcome
          stripe={solved.data}
          onAccept={() =>
            run(
              () =>
                ask(
                  api.POST("/api/materials/{id}/calibrations", {
                    params: { path: { id: material.id }, query: { version: material.version } },
                    body: draft,
                  }),
                ),
              `${material.material.name} follows its painted stripe now.`,
            )
          }
        />
      )}
      <section>
        <h3 className="mb-1 font-semibold">In force</h3>
        <ul className="flex flex-col gap-1">
          <li className="flex items-center gap-2">
            <Chip colour={material.facts.colour} />
            <span className="flex-1">The declared swatch</span>
            {material.calibrationId ? (
              <Button onClick={() => choose()}>Go back to it</Button>
            ) : (
              <strong>in force</strong>
            )}
          </li>
          {kept.data?.map((c) => (
            <li key={c.id} className="flex items-center gap-2">
              <Chip colour={[c.overBlack, c.overWhite]} />
              <span className="flex-1">
                Stripe of {new Date(c.at).toLocaleDateString(dateLanguage())}, {number(c.dryFilmUm)} µm
              </span>
              {c.inForce ? <strong>in force</strong> : <Button onClick={() => choose(c.id)}>Go back to it</Button>}
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

function Outcome({ stripe, onAccept }: { stripe: Stripe; onAccept: () => void }) {
  return (
    <section className="rounded border border-line p-3" data-testid="stripe-outcome">
      <p className="mb-2">
        It hides to a contrast ratio of <strong>{number(stripe.contrastRatio, 2)}</strong>. Predicted back, the stripe
        is {offFigure(stripe.backDeltaE, "what was read")}.
      </p>
      <div className="mb-2 flex items-center gap-3 text-xs text-soft">
        <Chip colour={stripe.overBlack} className="h-6 w-20" title="over black, 1 to 3 passes" /> over black
        <Chip colour={stripe.overWhite} className="h-6 w-20" title="over white, 1 to 3 passes" /> over white
        <Chip colour={stripe.masstone} /> hiding
      </div>
      {stripe.zones.length === 0 ? (
        <p className="mb-2 text-soft">No stack uses it yet.</p>
      ) : (
        <ul className="mb-2 max-h-48 overflow-y-auto">
          {stripe.zones.map((z) => (
            <li key={z.zoneId} className="flex items-center gap-2 py-0.5">
              <Chip colour={z.before} className="h-5 w-14" title="recess, face, edge as predicted now" />
              <span aria-hidden>→</span>
              <Chip colour={z.after} className="h-5 w-14" title="recess, face, edge with the stripe" />
              <span className="min-w-0 flex-1 truncate">{z.label}</span>
              <span>{offFigure(Math.max(...z.deltaE))}</span>
            </li>
          ))}
        </ul>
      )}
      <Button look="main" onClick={onAccept}>
        Let predictions follow it
      </Button>
    </section>
  );
}
