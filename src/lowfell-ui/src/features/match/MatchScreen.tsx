import { dateLanguage } from "../../api/units";
import { queries } from "../../api/queries";
import { changed } from "../../api/changes";
import { useQuery } from "@tanstack/react-query";
import { Plus, X } from "lucide-react";
import { useState } from "react";
import { useChosen } from "../../craft/useChosen";
import { api, ask, wording } from "../../api/client";
import { Button, Chip, Failed, IconButton, notify } from "../../ui";
import { KeepDialog } from "./KeepDialog";
import { MatchResult } from "./MatchResult";

const day = (date: string) =>
  new Date(date).toLocaleDateString(dateLanguage(), { day: "numeric", month: "long", year: "numeric" });

const at = (id: string) => ({ params: { path: { id } } });

async function change(call: () => Promise<unknown>, done?: string, undo?: () => Promise<void>) {
  try {
    await call();
    if (done) notify(done, undo && (() => void undo()));
  } catch (error) {
    notify(wording(error));
  }
  await changed("painted");
}

/** An older set, and how a new one can be painted to stand beside it. */
export function MatchScreen() {
  const painted = useQuery(queries.painted());
  const [open, setOpen] = useChosen("painted");
  const [keeping, setKeeping] = useState(false);
  if (painted.isError) return <Failed why={wording(painted.error)} onAgain={() => void painted.refetch()} />;
  if (!painted.data) return <p className="p-6 text-soft">Looking for what was painted before…</p>;
  const current = painted.data.find((p) => p.id === open) ?? painted.data[0];
  return (
    <div className="mx-auto grid w-full max-w-[1500px] flex-1 grid-cols-1 lg:grid-cols-[19rem_minmax(0,1fr)] items-start gap-3 p-3">
      <section aria-label="Painted before" className="rounded-lg border border-line bg-panel">
        <div className="flex items-center border-b border-line p-2">
          <h1 className="px-2 text-lg font-semibold">Match</h1>
          <Button className="ml-auto" onClick={() => setKeeping(true)}>
            <Plus size={15} aria-hidden /> Keep a painted zone
          </Button>
        </div>
        {painted.data.length === 0 && (
          <p className="p-4 text-sm text-soft">
            Nothing is kept yet. When a set is finished, keep its stack as it was painted; a year later the next box can
            be matched to it.
          </p>
        )}
        <ul>
          {painted.data.map((p) => (
            <li
              key={p.id}
              className={`flex items-center border-b border-line pr-1 ${p.id === current?.id ? "bg-tint" : ""}`}
            >
              <button
                type="button"
                aria-current={p.id === current?.id}
                onClick={() => setOpen(p.id)}
                className="flex min-w-0 flex-1 items-center gap-3 px-3 py-2 text-left text-sm"
              >
                <Chip colour={[p.recess, p.face, p.edge]} className="h-7 w-14" />
                <span className="min-w-0">
                  <span className="block truncate font-semibold">{p.name}</span>
                  <span className="block text-xs text-soft">
                    {day(p.paintedOn)}, {p.coats} coats
                  </span>
                </span>
              </button>
              <IconButton
                label={`Forget ${p.name}`}
                onClick={() =>
                  void change(
                    () => ask(api.DELETE("/api/painted/{id}", at(p.id))),
                    `${p.name} is forgotten.`,
                    () => change(() => ask(api.POST("/api/painted/{id}/restore", at(p.id)))),
                  )
                }
              >
                <X size={15} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ul>
      </section>
      {current && <MatchResult key={current.id} painted={current} />}
      {keeping && <KeepDialog onClose={() => setKeeping(false)} onKept={setOpen} />}
    </div>
  );
}
