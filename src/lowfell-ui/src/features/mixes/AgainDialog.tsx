import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { MixRecord } from "../../api/types";
import { number, offWords } from "../../api/words";
import { Button, Chip, Dialog, Field, NumberInput, notify } from "../../ui";

interface Props {
  record: MixRecord;
  onClose: () => void;
  onMade: () => Promise<unknown>;
}

/** A mix made again: what has changed since, and how far the colour will be off. */
export function AgainDialog({ record, onClose, onMade }: Props) {
  const [ml, setMl] = useState(Math.max(0.5, Math.round(record.madeMl * 10) / 10));
  const [fault, setFault] = useState<string>();
  const compared = useQuery(queries.again(record.id, ml));
  const gone = compared.data?.lines.some((l) => l.gone) ?? false;
  async function make() {
    try {
      await ask(
        api.POST("/api/mix-records/{id}/again", { params: { path: { id: record.id } }, body: { totalMl: ml } }),
      );
      await onMade();
      notify(`${record.name} is made again and written down.`);
      onClose();
    } catch (error) {
      setFault(wording(error));
    }
  }
  return (
    <Dialog open title={`Make ${record.name} again`} onClose={onClose}>
      {compared.isError && (
        <p role="alert" className="text-sm font-semibold text-stop">
          {wording(compared.error)}
        </p>
      )}
      {compared.data && (
        <div className="flex flex-col gap-3 text-sm" data-testid="again">
          <div className="flex items-center gap-3">
            <Chip
              colour={compared.data.now ? [compared.data.then, compared.data.now] : compared.data.then}
              className="h-10 w-24"
            />
            <p>
              {compared.data.deltaE == null ? (
                <strong className="text-stop">Something in it is no longer on the shelf.</strong>
              ) : (
                <>
                  Predicted <strong>{offWords(compared.data.deltaE, "what it was")}</strong> (
                  {number(compared.data.deltaE)} dE)
                  {compared.data.deltaE < 1
                    ? ": nobody will see it."
                    : compared.data.deltaE < 2.5
                      ? ": side by side it can be seen."
                      : ": it will be seen."}
                </>
              )}
            </p>
          </div>
          <section>
            <h3 className="font-semibold">Changed since</h3>
            {compared.data.changes.length === 0 ? (
              <p className="text-soft">Nothing: the same lots, the same figures, and enough of each.</p>
            ) : (
              <ul className="list-disc pl-5">
                {compared.data.changes.map((c) => (
                  <li key={c}>{c}</li>
                ))}
              </ul>
            )}
          </section>
          <Field label="How much">
            {(id) => (
              <NumberInput
                id={id}
                className="w-32"
                value={ml}
                bound={bounds.MixAgain.totalMl}
                unit="ml"
                onChange={setMl}
              />
            )}
          </Field>
          <table>
            <tbody>
              {compared.data.lines.map((l) => (
                <tr key={l.name} className="border-t border-line">
                  <td className={`py-1 ${l.gone ? "font-semibold text-stop" : ""}`}>
                    {l.name}
                    {l.gone && ", gone"}
                  </td>
                  <td className="text-right">{number(l.ml, 2)} ml</td>
                  <td className="w-24 text-right text-soft">{number(l.drops)} drops</td>
                </tr>
              ))}
            </tbody>
          </table>
          {fault && (
            <p role="alert" className="font-semibold text-stop">
              {fault}
            </p>
          )}
          <Button look="main" className="self-start" disabled={gone} onClick={() => void make()}>
            Made it: write it down
          </Button>
        </div>
      )}
    </Dialog>
  );
}
