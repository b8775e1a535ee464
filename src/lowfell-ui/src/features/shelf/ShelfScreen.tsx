import { useQuery } from "@tanstack/react-query";
import { Plus } from "lucide-react";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { Family, Material } from "../../api/types";
import { familyWord, sheenWord } from "../../api/words";
import { Button, Choice, TextInput } from "../../ui";
import { MaterialEditor } from "./MaterialEditor";

/** Every bottle, with the colour it truly gives. */
export function ShelfScreen() {
  const materials = useQuery({
    queryKey: ["materials"],
    queryFn: () => ask(api.GET("/api/materials")),
  });
  const [text, setText] = useState("");
  const [family, setFamily] = useState<Family | "all">("all");
  const [open, setOpen] = useState<string | null>(null);
  if (materials.isError)
    return (
      <p role="alert" className="p-6">
        {wording(materials.error)}
      </p>
    );
  if (!materials.data) return <p className="p-6 text-soft">Opening the shelf…</p>;
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = materials.data.filter(
    (m) =>
      (family === "all" || m.material.family === family) &&
      words.every((w) => `${m.material.name} ${m.material.house}`.toLowerCase().includes(w)),
  );
  const present = [...new Set(materials.data.map((m) => m.material.family))];
  const current = open === "new" ? undefined : (materials.data.find((m) => m.id === open) ?? shown[0]);
  return (
    <div className="mx-auto grid w-full max-w-[1500px] flex-1 grid-cols-[minmax(0,1fr)_27rem] gap-3 p-3">
      <section
        aria-label="Shelf"
        className="flex h-[calc(100vh-4.3rem)] flex-col rounded-lg border border-line bg-panel"
      >
        <div className="flex items-center gap-2 border-b border-line p-2">
          <h1 className="px-2 text-lg font-semibold">Shelf</h1>
          <TextInput
            type="search"
            aria-label="Find on the shelf"
            placeholder="Name or house"
            value={text}
            onChange={(e) => setText(e.target.value)}
            className="max-w-56"
          />
          <div className="w-52">
            <Choice<Family | "all">
              label="Family"
              value={family}
              options={[
                { value: "all", label: "All families" },
                ...present.map((f) => ({ value: f, label: familyWord[f] })),
              ]}
              onChange={setFamily}
            />
          </div>
          <span className="ml-auto text-sm text-soft">
            {shown.length} of {materials.data.length}
          </span>
          <Button onClick={() => setOpen("new")}>
            <Plus size={15} aria-hidden /> Material
          </Button>
        </div>
        <div className="min-h-0 flex-1 overflow-y-auto">
          {shown.length === 0 && (
            <p className="p-6 text-center text-soft">
              {materials.data.length === 0
                ? "The shelf is bare. Put the first material on it."
                : "Nothing on the shelf fits. Try fewer words."}
            </p>
          )}
          <table className="w-full text-sm">
            <thead className="sr-only">
              <tr>
                <th>Colour</th>
                <th>Name</th>
                <th>Family</th>
                <th>Sheen</th>
                <th>Used</th>
              </tr>
            </thead>
            <tbody>
              {shown.map((m) => (
                <Row key={m.id} material={m} current={m.id === current?.id} onOpen={() => setOpen(m.id)} />
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <section
        aria-label="Material"
        className="h-[calc(100vh-4.3rem)] overflow-y-auto rounded-lg border border-line bg-panel"
      >
        {open === "new" || !current ? (
          <MaterialEditor key="new" onKept={setOpen} onGone={() => setOpen(null)} />
        ) : (
          <MaterialEditor key={current.id} material={current} onKept={setOpen} onGone={() => setOpen(null)} />
        )}
      </section>
    </div>
  );
}

function Row({
  material: { material, facts, usedIn },
  current,
  onOpen,
}: {
  material: Material;
  current: boolean;
  onOpen: () => void;
}) {
  return (
    <tr className={`border-b border-line ${current ? "bg-tint" : "hover:bg-raised"}`} onClick={onOpen}>
      <td className="w-16 py-1 pl-3">
        <span className="inline-block rounded bg-swatch p-1 align-middle">
          <span
            className={`relative block h-6 w-10 rounded-sm ${facts.clear ? "barrier-band" : ""}`}
            style={{ backgroundColor: material.colour }}
          />
        </span>
      </td>
      <td className="py-1">
        <button type="button" className="text-left font-semibold" aria-current={current} onClick={onOpen}>
          {material.name}
        </button>
        <span className="ml-2 text-soft">{material.house}</span>
      </td>
      <td className="py-1">{familyWord[material.family]}</td>
      <td className="py-1">
        {sheenWord[material.sheen]}
        {material.effect !== "plain" && `, ${material.effect}`}
      </td>
      <td className="py-1 pr-3 text-right whitespace-nowrap text-soft">{usedIn > 0 ? `in ${usedIn}` : ""}</td>
    </tr>
  );
}
