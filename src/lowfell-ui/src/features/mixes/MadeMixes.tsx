import { dateLanguage } from "../../api/units";
import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import { changed } from "../../api/changes";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { Mix, MixRecord } from "../../api/types";
import { number } from "../../api/words";
import { Button, Chip, Field, NumberInput, notify, TextInput } from "../../ui";
import { AgainDialog } from "./AgainDialog";
import { ranges } from "../../craft/ranges";
import { UseDialog } from "./UseDialog";

const day = (at: string) =>
  new Date(at).toLocaleDateString(dateLanguage(), { day: "numeric", month: "long", year: "numeric" });

/** Mixes that were made of a recipe: what went in, where it went, and the way to make them again. */
export function MadeMixes({ mix }: { mix: Mix }) {
  const records = useQuery(queries.mixRecords());
  const [ml, setMl] = useState(5);
  const [note, setNote] = useState("");
  const [fault, setFault] = useState<string>();
  const [again, setAgain] = useState<MixRecord>();
  const [using, setUsing] = useState<MixRecord>();
  const mine = records.data?.filter((r) => r.mixId === mix.id) ?? [];
  async function run(call: () => Promise<MixRecord>, done: string) {
    try {
      const kept = await call();
      await changed("mixRecords");
      setFault(undefined);
      notify(
        kept.shelfSaidLess
          ? `${done} The shelf held less ${kept.shelfSaidLess.join(" and ")} than went in; those bottles are empty now.`
          : done,
      );
    } catch (error) {
      setFault(wording(error));
    }
  }
  async function takeBack(r: MixRecord) {
    try {
      await ask(api.DELETE("/api/mix-records/{id}", { params: { path: { id: r.id }, query: { version: r.version } } }));
      setFault(undefined);
      notify(`${number(r.madeMl, 2)} ml are back in their bottles.`);
    } catch (error) {
      setFault(wording(error));
    }
    await changed("mixRecords");
  }
  return (
    <div className="flex flex-col gap-4 p-4 text-sm">
      <form
        className="flex flex-wrap items-end gap-3 rounded border border-line p-3"
        onSubmit={(e) => {
          e.preventDefault();
          void run(
            () =>
              ask(
                api.POST("/api/mixes/{id}/records", {
                  params: { path: { id: mix.id } },
                  body: { totalMl: ml, note },
                }),
              ),
            `${number(ml)} ml of ${mix.mix.name} are written down.`,
          ).then(() => setNote(""));
        }}
      >
        <Field label="Made just now">
          {(id) => (
            <NumberInput
              id={id}
              className="w-32"
              value={ml}
              bound={bounds.MixMade.totalMl}
              unit="ml"
              onChange={setMl}
            />
          )}
        </Field>
        <Field label="Note" className="min-w-48 flex-1">
          {(id) => (
            <TextInput id={id} {...bounds.MixMade.note} value={note} onChange={(e) => setNote(e.target.value)} />
          )}
        </Field>
        <Button look="main" type="submit">
          Write it down
        </Button>
      </form>
      {fault && (
        <p role="alert" className="font-semibold text-stop">
          {fault}
        </p>
      )}
      {records.data && mine.length === 0 && (
        <p className="text-soft">
          Not made yet. Written down, a mix can be topped up, used on copies, and made again a year later.
        </p>
      )}
      {mine.map((r) => (
        <section key={r.id} aria-label={`Made on ${day(r.madeAt)}`} className="rounded border border-line p-3">
          <div className="mb-2 flex items-center gap-3">
            <Chip colour={r.colour} />
            <h3 className="font-semibold">{day(r.madeAt)}</h3>
            <span className="text-soft">
              {number(r.madeMl, 2)} ml made, <strong className="text-ink">{number(r.leftMl, 2)} ml left</strong>
            </span>
            <span className="ml-auto flex gap-2">
              <Button disabled={r.leftMl <= 0} onClick={() => setUsing(r)}>
                Use on copies
              </Button>
              <Button
                onClick={() =>
                  void run(
                    () =>
                      ask(api.POST("/api/mix-records/{id}/top-ups", { params: { path: { id: r.id } }, body: { ml } })),
                    `Topped up with ${number(ml)} ml.`,
                  )
                }
              >
                Top up {number(ml)} ml
              </Button>
              {r.uses.length === 0 && <Button onClick={() => void takeBack(r)}>Take back</Button>}
              <Button look="main" onClick={() => setAgain(r)}>
                Make again
              </Button>
            </span>
          </div>
          {r.note && <p className="mb-2">{r.note}</p>}
          <div className="grid grid-cols-1 gap-4 sm:grid-cols-2">
            <div>
              <h4 className="text-xs font-semibold text-soft">Went in</h4>
              {r.lines.map((l, i) => (
                <div key={i} className="flex items-center gap-2 py-0.5">
                  <Chip colour={l.colour ?? undefined} className="h-3.5 w-6" />
                  <span className="min-w-0 flex-1 truncate">{l.name}</span>
                  <span className="text-soft">{l.lot && `lot ${l.lot}`}</span>
                  <span className="w-16 text-right">{number(l.ml, 2)} ml</span>
                </div>
              ))}
            </div>
            <div>
              <h4 className="text-xs font-semibold text-soft">Used on</h4>
              {r.uses.length === 0 && <p className="text-soft">nothing yet</p>}
              {r.uses.map((u, i) => (
                <div key={i} className="flex gap-2 py-0.5">
                  <span className="min-w-0 flex-1 truncate">
                    {u.piece ?? "poured away"}
                    {u.copies.length > 0 && ` ${ranges(u.copies)}`}
                    {u.note && <span className="text-soft">: {u.note}</span>}
                  </span>
                  <span>{number(u.ml, 2)} ml</span>
                </div>
              ))}
            </div>
          </div>
        </section>
      ))}
      {again && <AgainDialog record={again} onClose={() => setAgain(undefined)} onMade={() => changed("mixRecords")} />}
      {using && (
        <UseDialog
          record={using}
          onClose={() => setUsing(undefined)}
          onUsed={() => changed("mixRecords").then(() => setUsing(undefined))}
        />
      )}
    </div>
  );
}
