import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { Plus } from "lucide-react";
import { useState } from "react";
import { familyFacts } from "../../api/words";
import { useChosen } from "../../craft/useChosen";
import { wording } from "../../api/client";
import { Button, Chip, Failed, Tabs } from "../../ui";
import { MadeMixes } from "./MadeMixes";
import { MixEditor } from "./MixEditor";
import { RatioDialog } from "./RatioDialog";

type View = "recipe" | "made";

/** Named recipes, with what they truly hold, and the mixes that were made of them. */
export function MixesScreen() {
  const mixes = useQuery(queries.mixes());
  const materials = useQuery(queries.materials());
  const [open, setOpen] = useChosen("mix");
  const [view, setView] = useChosen("view");
  const [solving, setSolving] = useState(false);
  if (mixes.isError) return <Failed why={wording(mixes.error)} onAgain={() => void mixes.refetch()} />;
  if (!mixes.data || !materials.data) return <p className="p-6 text-soft">Opening the mixes…</p>;
  const current = open === "new" ? undefined : (mixes.data.find((m) => m.id === open) ?? mixes.data[0]);
  const editor = (
    <MixEditor
      key={open === "new" ? "new" : (current?.id ?? "new")}
      mix={open === "new" ? undefined : current}
      mixes={mixes.data}
      materials={materials.data}
      onKept={setOpen}
      onGone={() => setOpen(null)}
    />
  );
  return (
    <div className="mx-auto grid w-full max-w-[1400px] flex-1 grid-cols-1 lg:grid-cols-[19rem_minmax(0,1fr)] items-start gap-3 p-3">
      <section aria-label="Mixes" className="rounded-lg border border-line bg-panel">
        <div className="flex items-center gap-1 border-b border-line p-2">
          <h1 className="px-2 text-lg font-semibold">Mixes</h1>
          <Button
            className="ml-auto"
            disabled={materials.data.filter((m) => !familyFacts(m.material.family).clear).length < 2}
            onClick={() => setSolving(true)}
          >
            Solve a ratio
          </Button>
          <Button onClick={() => setOpen("new")}>
            <Plus size={15} aria-hidden /> Mix
          </Button>
        </div>
        {mixes.data.length === 0 && (
          <p className="p-4 text-sm text-soft">No mix yet. Write the first recipe down, and the next box will match.</p>
        )}
        <ul>
          {mixes.data.map((m) => (
            <li key={m.id}>
              <button
                type="button"
                aria-current={m.id === current?.id}
                onClick={() => setOpen(m.id)}
                className={`flex w-full items-center gap-3 border-b border-line px-3 py-2 text-left text-sm ${m.id === current?.id ? "bg-tint" : "hover:bg-raised"}`}
              >
                <Chip colour={m.preview.overWhite[2]} />
                <span className="min-w-0 flex-1">
                  <span className="block truncate font-semibold">{m.mix.name}</span>
                  <span className="text-xs text-soft">
                    {m.mix.components.length} components{m.usedIn > 0 && `, used in ${m.usedIn}`}
                  </span>
                </span>
              </button>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Mix" className="rounded-lg border border-line bg-panel">
        {current ? (
          <Tabs<View>
            label={current.mix.name}
            value={view === "made" ? "made" : "recipe"}
            onChange={setView}
            tabs={[
              { value: "recipe", label: "Recipe", content: editor },
              { value: "made", label: "Made", content: <MadeMixes key={current.id} mix={current} /> },
            ]}
          />
        ) : (
          editor
        )}
      </section>
      {solving && (
        <RatioDialog
          materials={materials.data}
          start={[...new Set((current?.mix.components ?? []).flatMap((c) => (c.materialId ? [c.materialId] : [])))]}
          onClose={() => setSolving(false)}
          onKept={(id) => {
            setSolving(false);
            setView("recipe");
            setOpen(id);
          }}
        />
      )}
    </div>
  );
}
