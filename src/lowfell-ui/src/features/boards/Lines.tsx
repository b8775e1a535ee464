import { Plus, Trash2 } from "lucide-react";
import { bounds } from "../../api/bounds";
import type { BoardView } from "../../api/types";
import { datumKindWord } from "../../api/words";
import { Choice, Field, IconButton, Menu, NumberInput, TextInput } from "../../ui";
import type { BoardHands } from "./useBoard";

type Datum = BoardView["board"]["datums"][number];

/** The lines that run on over the pieces of a board. */
export function Lines({ view, hands }: { view: BoardView; hands: BoardHands }) {
  const { datums } = hands.board;
  const b = bounds.DatumDraft;
  const change = (id: string, to: Partial<Datum>) =>
    void hands.keep(
      (now) => ({ ...now, datums: now.datums.map((d) => (d.id === id ? { ...d, ...to } : d)) }),
      `${id} ${Object.keys(to).join()}`,
    );
  const add = (line: BoardView["usualLines"][number]) =>
    void hands.keep((now) => ({
      ...now,
      datums: [...now.datums, { ...line, pieceIds: [], id: crypto.randomUUID() }],
    }));
  return (
    <section aria-label="Lines" className="rounded-lg border border-line bg-panel p-3">
      <div className="flex items-center justify-between">
        <h2 className="font-semibold">Lines</h2>
        <Menu
          label="Add a line"
          icon={<Plus size={16} aria-hidden />}
          items={view.usualLines.map((d) => ({ label: d.name, onSelect: () => add(d) }))}
        />
      </div>
      {datums.length === 0 && (
        <p className="text-sm text-soft">
          A tide keeps its height above the table, dust keeps its above the foot. Add a line to see its height on each
          copy.
        </p>
      )}
      <ul className="flex flex-col gap-3" data-testid="lines">
        {datums.map((d) => (
          <li key={d.id} className="flex flex-col gap-1.5 border-t border-line pt-2 first:border-0 first:pt-1">
            <span className="flex items-center gap-1">
              <TextInput
                aria-label="Name of the line"
                defaultValue={d.name}
                {...b.name}
                onBlur={(e) =>
                  e.target.value.trim() && e.target.value !== d.name && change(d.id, { name: e.target.value })
                }
              />
              <IconButton
                label={`Take ${d.name} away`}
                onClick={() => void hands.keep((now) => ({ ...now, datums: now.datums.filter((x) => x.id !== d.id) }))}
              >
                <Trash2 size={15} aria-hidden />
              </IconButton>
            </span>
            <span className="grid grid-cols-2 gap-2">
              <Field label="Height">
                {(id) => (
                  <NumberInput
                    id={id}
                    value={d.heightMm}
                    bound={b.heightMm}
                    unit="mm"
                    onChange={(heightMm) => change(d.id, { heightMm })}
                  />
                )}
              </Field>
              <Field label="Wanders by">
                {(id) => (
                  <NumberInput
                    id={id}
                    value={d.wanderMm}
                    bound={b.wanderMm}
                    unit="mm"
                    onChange={(wanderMm) => change(d.id, { wanderMm })}
                  />
                )}
              </Field>
            </span>
            <Choice
              label={`What ${d.name} keeps its height above`}
              value={d.kind}
              options={(["level", "ground"] as const).map((value) => ({ value, label: datumKindWord[value] }))}
              onChange={(kind) => change(d.id, { kind })}
            />
            {view.pieces.length > 1 && (
              <details className="text-sm">
                <summary className="cursor-pointer text-soft">
                  {d.pieceIds.length === 0
                    ? "On all pieces"
                    : `On ${view.pieces
                        .filter((p) => d.pieceIds.includes(p.id))
                        .map((p) => p.name)
                        .join(", ")}`}
                </summary>
                <ul className="mt-1 flex flex-col gap-1">
                  {view.pieces.map((p) => (
                    <li key={p.id}>
                      <label className="flex items-center gap-2">
                        <input
                          type="checkbox"
                          checked={d.pieceIds.length === 0 || d.pieceIds.includes(p.id)}
                          onChange={(e) => {
                            const all = d.pieceIds.length === 0 ? view.pieces.map((x) => x.id) : d.pieceIds;
                            const left = e.target.checked ? [...all, p.id] : all.filter((x) => x !== p.id);
                            // None at all is no line: the last one stays.
                            if (left.length > 0)
                              change(d.id, { pieceIds: left.length === view.pieces.length ? [] : left });
                          }}
                        />
                        {p.name}
                      </label>
                    </li>
                  ))}
                </ul>
              </details>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
