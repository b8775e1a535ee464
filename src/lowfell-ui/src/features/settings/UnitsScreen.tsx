import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { queries } from "../../api/queries";
import {
  area,
  dateAndTime,
  length,
  millilitres,
  money,
  setUnits,
  temperature,
  type Units,
  useUnits,
} from "../../api/units";
import { setTheme, theme, type Theme } from "../../craft/theme";
import { craft } from "../../api/words";
import { setVision, vision } from "../../craft/vision";
import { openBench } from "../../craft/openBench";
import { Button, Choice, Field } from "../../ui";

const own = "browser";
const languages = ["en-GB", "en-US", "en-CA", "de-DE", "fr-FR", "es-ES", "it-IT", "nl-NL", "pl-PL", "sv-SE"];

const currencies = ["EUR", "GBP", "USD", "CAD", "AUD", "CHF", "DKK", "NOK", "SEK", "PLN", "CZK", "JPY"];

/** How this browser writes figures and dates, and the light that its screen is drawn for. */
export function UnitsScreen() {
  const units = useUnits();
  const [light, setLight] = useState(theme);
  const [eyes, setEyes] = useState(vision);
  return (
    <div className="mx-auto w-full max-w-2xl p-3">
      <section aria-label="Units and light" className="rounded-lg border border-line bg-panel p-4">
        <h1 className="text-lg font-semibold">Units and light</h1>
        <p className="mb-4 text-sm text-soft">
          For this browser. What is kept stays in millimetres, millilitres and °C, so another bench mate may read it in
          other units.
        </p>
        <div className="grid gap-4 sm:grid-cols-2">
          <Field label="Swatches and pictures as seen by" hint="To see whether others can tell your colours apart.">
            {(id, described) => (
              <span aria-describedby={described}>
                <Choice
                  id={id}
                  label="Swatches and pictures as seen by"
                  value={eyes}
                  options={craft().visions.map((v) => ({ value: v.vision as string, label: v.word }))}
                  onChange={(to) => {
                    setVision(to);
                    setEyes(to);
                  }}
                />
              </span>
            )}
          </Field>
          <Field label="Lengths and areas">
            {(id) => (
              <Choice<Units["length"]>
                id={id}
                label="Lengths and areas"
                value={units.length}
                options={[
                  { value: "mm", label: "mm and cm²" },
                  { value: "in", label: "inches" },
                ]}
                onChange={(v) => setUnits({ length: v })}
              />
            )}
          </Field>
          <Field label="Volumes">
            {(id) => (
              <Choice<Units["volume"]>
                id={id}
                label="Volumes"
                value={units.volume}
                options={[
                  { value: "ml", label: "ml" },
                  { value: "floz", label: "fluid ounces (US)" },
                ]}
                onChange={(v) => setUnits({ volume: v })}
              />
            )}
          </Field>
          <Field label="Temperature">
            {(id) => (
              <Choice<Units["temperature"]>
                id={id}
                label="Temperature"
                value={units.temperature}
                options={[
                  { value: "c", label: "°C" },
                  { value: "f", label: "°F" },
                ]}
                onChange={(v) => setUnits({ temperature: v })}
              />
            )}
          </Field>
          <Field label="Dates and figures">
            {(id) => (
              <Choice
                id={id}
                label="Dates and figures"
                value={units.dates ?? own}
                options={[
                  { value: own, label: "as this browser writes them" },
                  ...languages.map((l) => ({ value: l, label: languageName(l) })),
                ]}
                onChange={(v) => setUnits({ dates: v === own ? null : v })}
              />
            )}
          </Field>
          <Field label="Money">
            {(id) => (
              <Choice
                id={id}
                label="Money"
                value={units.money ?? own}
                options={[
                  { value: own, label: "figures alone" },
                  ...currencies.map((c) => ({ value: c, label: currencyName(c) })),
                ]}
                onChange={(v) => setUnits({ money: v === own ? null : v })}
              />
            )}
          </Field>
          <Field label="Light">
            {(id) => (
              <Choice<Theme>
                id={id}
                label="Light"
                value={light}
                options={[
                  { value: "day", label: "day" },
                  { value: "lamp", label: "lamp, dim" },
                ]}
                onChange={(v) => {
                  setTheme(v);
                  setLight(v);
                }}
              />
            )}
          </Field>
        </div>
        <p className="mt-4 border-t border-line pt-3 text-sm" data-testid="units-sample">
          A wall of {length(180)} with {area(19_500)} takes {millilitres(6.6)} of paint for {money(2.9)} at{" "}
          {temperature(17)}, on {dateAndTime(new Date().toISOString())}.
        </p>
      </section>
      <WhichBench />
    </div>
  );
}

/** The demo has a bench of its own beside the painter's. */
function WhichBench() {
  const bench = useQuery(queries.bench());
  if (!bench.data) return null;
  const demo = bench.data.holdsDemo;
  return (
    <section aria-label="Benches" className="mt-3 rounded-lg border border-line bg-panel p-4">
      <h2 className="font-semibold">Benches</h2>
      <p className="mb-2 text-sm text-soft">
        {demo
          ? "The demo is open, a made-up table half painted. Your own bench is beside it, as you left it."
          : "Your own bench is open. The demo has one of its own beside it, a made-up table half painted."}
      </p>
      <Button onClick={() => void openBench(!demo)}>{demo ? "Open your own bench" : "Look around the demo"}</Button>
    </section>
  );
}

const languageName = (tag: string) => new Intl.DisplayNames(undefined, { type: "language" }).of(tag) ?? tag;

const currencyName = (code: string) => new Intl.DisplayNames(undefined, { type: "currency" }).of(code) ?? code;
