import { useQuery } from "@tanstack/react-query";
import { Plus } from "lucide-react";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import { Button } from "../../ui";
import { MixEditor } from "./MixEditor";

/** Named recipes, with what they truly hold. */
export function MixesScreen() {
  const mixes = useQuery({ queryKey: ["mixes"], queryFn: () => ask(api.GET("/api/mixes")) });
  const materials = useQuery({
    queryKey: ["materials"],
    queryFn: () => ask(api.GET("/api/materials")),
  });
  const [open, setOpen] = useState<string | null>(null);
  if (mixes.isError)
    return (
      <p role="alert" className="p-6">
        {wording(mixes.error)}
      </p>
    );
  if (!mixes.data || !materials.data) return <p className="p-6 text-soft">Opening the mixes…</p>;
  const current = open === "new" ? undefined : (mixes.data.find((m) => m.id === open) ?? mixes.data[0]);
  return (
    <div className="mx-auto grid w-full max-w-[1200px] flex-1 grid-cols-[19rem_minmax(0,1fr)] items-start gap-3 p-3">
      <section aria-label="Mixes" className="rounded-lg border border-line bg-panel">
        <div className="flex items-center border-b border-line p-2">
          <h1 className="px-2 text-lg font-semibold">Mixes</h1>
          <Button className="ml-auto" onClick={() => setOpen("new")}>
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
                <span className="rounded bg-swatch p-1">
                  <span className="block h-6 w-10 rounded-sm" style={{ background: m.preview.overWhite[2] }} />
                </span>
                <span className="min-w-0 flex-1">
                  <span className="block truncate font-semibold">{m.mix.name}</span>
                  <span className="text-xs text-soft">
                    {m.mix.components.length} components{m.usedIn > 0 && `, in ${m.usedIn}`}
                  </span>
                </span>
              </button>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Mix" className="rounded-lg border border-line bg-panel">
        <MixEditor
          key={open === "new" ? "new" : (current?.id ?? "new")}
          mix={open === "new" ? undefined : current}
          mixes={mixes.data}
          materials={materials.data}
          onKept={setOpen}
          onGone={() => setOpen(null)}
        />
      </section>
    </div>
  );
}
