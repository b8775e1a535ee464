import { useQuery } from "@tanstack/react-query";
import { Plus, X } from "lucide-react";
import { useState } from "react";
import { bounds } from "../../api/bounds";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { PiecePage } from "../../api/types";
import { baseShapeWord, choices, stanceWord } from "../../api/words";
import { useDraft } from "../../craft/useDraft";
import { Button, Choice, Field, IconButton, NumberInput } from "../../ui";
import { KitDialog } from "./KitDialog";

type Shape = "round" | "oval" | "rectangle";
type Stance = "none" | "twoFeet" | "oneFoot" | "fourWheels" | "stem";

interface Group {
  shape: Shape;
  lengthMm: number;
  widthMm: number;
  stance: Stance;
  copies: number;
}

const usualBase = 25;
const usualBevel = { bevelMm: 1, heightMm: 3.2 };
const fromPiece = ({ piece }: PiecePage["piece"]): Group[] => {
  const flat = piece.shape === "disc" || piece.shape === "cylinder";
  const within = (mm: number) =>
    Math.min(bounds.BaseFormDraft.lengthMm.max, Math.max(bounds.BaseFormDraft.lengthMm.min, mm));
  return [
    {
      shape: flat || piece.shape === "free" ? "round" : "rectangle",
      lengthMm: piece.shape === "free" ? usualBase : within(piece.lengthMm),
      widthMm: piece.shape === "free" ? usualBase : within(flat ? piece.lengthMm : piece.widthMm),
      stance: "twoFeet",
      copies: piece.copies,
    },
  ];
};

/** Begins a tray: which bases, how many of each, what stands on them, and of which family they are. */
export function BeginTray({ page }: { page: PiecePage }) {
  const families = useQuery(queries.baseFamilies());
  const boxes = useQuery(queries.elementBoxes());
  const [groups, setGroups, forget] = useDraft<Group[]>(`tray of ${page.piece.id}`, () => fromPiece(page.piece));
  const [familyId, setFamily] = useState("");
  const [kit, setKit] = useState(false);
  const [fault, setFault] = useState<string>();
  if (!families.data || !boxes.data) return <p className="p-6 text-soft">Looking at the shelf…</p>;
  const family = families.data.find((f) => f.id === familyId) ?? families.data[0];
  const set = (i: number, part: Partial<Group>) =>
    setGroups(
      groups.map((g, k) =>
        k === i ? { ...g, ...part, ...(part.lengthMm && g.shape === "round" ? { widthMm: part.lengthMm } : {}) } : g,
      ),
    );
  const copies = groups.reduce((sum, g) => sum + g.copies, 0);
  async function begin() {
    setFault(undefined);
    try {
      const chosen =
        family ??
        (await ask(api.POST("/api/base-families", { body: (await ask(api.GET("/api/base-families/starters")))[0]! })));
      await ask(
        api.POST("/api/pieces/{pieceId}/tray", {
          params: { path: { pieceId: page.piece.id } },
          body: {
            familyId: chosen.id,
            groups: groups.map((g) => ({
              form: {
                shape: g.shape,
                lengthMm: g.lengthMm,
                widthMm: g.shape === "round" ? g.lengthMm : g.widthMm,
                ...usualBevel,
              },
              stance: g.stance,
              copies: g.copies,
            })),
          },
        }),
      );
      forget();
      await changed("tray", "families", "tree");
    } catch (error) {
      setFault(wording(error));
    }
  }
  return (
    <section aria-label="New tray" className="rounded-lg border border-line bg-panel p-4">
      <h1 className="text-lg font-semibold">Which bases are these?</h1>
      <p className="mb-3 text-sm text-soft">
        One line for each size. The layouts differ from base to base and yet belong together; nothing that stands on
        them will tip.
      </p>
      <table className="text-sm">
        <thead>
          <tr className="text-left text-xs text-soft">
            <th className="pr-2 pb-1 font-semibold">Copies</th>
            <th className="pr-2 pb-1 font-semibold">Outline</th>
            <th className="pr-2 pb-1 font-semibold">Length or diameter</th>
            <th className="pr-2 pb-1 font-semibold">Width</th>
            <th className="pr-2 pb-1 font-semibold">What stands on it</th>
          </tr>
        </thead>
        <tbody>
          {groups.map((g, i) => (
            // Lines have no name of their own.
            // oxlint-disable-next-line react/no-array-index-key
            <tr key={i}>
              <td className="w-20 pr-2 pb-1.5">
                <NumberInput
                  label={`Copies of size ${i + 1}`}
                  value={g.copies}
                  bound={bounds.TrayGroup.copies}
                  onChange={(v) => set(i, { copies: Math.round(v) })}
                />
              </td>
              <td className="w-36 pr-2 pb-1.5">
                <Choice<Shape>
                  label={`Outline of size ${i + 1}`}
                  value={g.shape}
                  options={choices(baseShapeWord)}
                  onChange={(shape) => set(i, { shape, ...(shape === "round" ? { widthMm: g.lengthMm } : {}) })}
                />
              </td>
              <td className="w-32 pr-2 pb-1.5">
                <NumberInput
                  label={`Length of size ${i + 1}`}
                  value={g.lengthMm}
                  bound={bounds.BaseFormDraft.lengthMm}
                  unit="mm"
                  onChange={(lengthMm) => set(i, { lengthMm })}
                />
              </td>
              <td className="w-32 pr-2 pb-1.5">
                {g.shape === "round" ? (
                  <span className="text-soft">as long</span>
                ) : (
                  <NumberInput
                    label={`Width of size ${i + 1}`}
                    value={g.widthMm}
                    bound={bounds.BaseFormDraft.widthMm}
                    unit="mm"
                    onChange={(widthMm) => set(i, { widthMm })}
                  />
                )}
              </td>
              <td className="w-48 pr-2 pb-1.5">
                <Choice<Stance>
                  label={`What stands on size ${i + 1}`}
                  value={g.stance}
                  options={choices(stanceWord)}
                  onChange={(stance) => set(i, { stance })}
                />
              </td>
              <td className="pb-1.5">
                {groups.length > 1 && (
                  <IconButton
                    label={`Take size ${i + 1} away`}
                    onClick={() => setGroups(groups.filter((_, k) => k !== i))}
                  >
                    <X size={15} aria-hidden />
                  </IconButton>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button look="quiet" onClick={() => setGroups([...groups, { ...groups.at(-1)!, copies: 1 }])}>
        <Plus size={15} aria-hidden /> Another size
      </Button>
      <div className="mt-3 flex flex-wrap items-end gap-3 border-t border-line pt-3">
        {family && (
          <Field label="Family" className="w-52">
            {(id) => (
              <Choice
                id={id}
                label="Family"
                value={family.id}
                options={families.data.map((f) => ({ value: f.id, label: f.family.name }))}
                onChange={setFamily}
              />
            )}
          </Field>
        )}
        <p className="pb-1.5 text-sm text-soft">
          {boxes.data.length === 0
            ? "No stones, slates or tufts are on the shelf yet: only the ground will be laid."
            : `${boxes.data.length} boxes of stones, slates and tufts are on the shelf.`}
        </p>
        <Button onClick={() => setKit(true)}>Boxes and families</Button>
        <Button look="main" className="ml-auto" onClick={() => void begin()}>
          Begin a tray of {copies}
        </Button>
      </div>
      {fault && (
        <p role="alert" className="mt-2 text-sm font-semibold text-stop">
          {fault}
        </p>
      )}
      {kit && <KitDialog onClose={() => setKit(false)} />}
    </section>
  );
}
