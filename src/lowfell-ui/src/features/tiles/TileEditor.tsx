import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import { changed } from "../../api/changes";
import { useQuery } from "@tanstack/react-query";
import { Printer } from "lucide-react";
import { useState } from "react";
import { useDraft } from "../../craft/useDraft";
import { choices, familyFacts, reliefWord } from "../../api/words";
import { api, ask, wording } from "../../api/client";
import type { Material, ZoneName, Tile, TileDraft } from "../../api/types";
import { Button, Choice, ColourInput, Field, isColour, notify, TextInput } from "../../ui";
import { CellDialog } from "./CellDialog";
import { TileGrid } from "./TileGrid";
import { TileLines } from "./TileLines";
import { firstTile, kindOf, type Kind, tileCoat } from "./tilePlan";

interface Props {
  tile?: Tile;
  materials: Material[];
  zones: ZoneName[];
  onKept: (id: string) => void;
  onGone: () => void;
}

/** One tile: what is painted where, every cell predicted, the cell nearest to a wanted look. */
export function TileEditor({ tile, materials, zones, onKept, onGone }: Props) {
  const [draft, setDraft, forget] = useDraft<TileDraft>(
    `tile ${tile ? `${tile.id} ${tile.version}` : "new"}`,
    () => tile?.tile ?? firstTile(materials, zones),
  );
  const [cell, setCell] = useState<{ row: number; column: number }>();
  const [fault, setFault] = useState<string>();
  const { plan } = draft;
  const kind = kindOf(draft);
  const setPlan = (part: Partial<TileDraft["plan"]>) => setDraft({ ...draft, plan: { ...plan, ...part } });
  const preview = useQuery(queries.tilePreview(draft, plan.rows.length > 0 && plan.columns.length > 0));
  const paints = materials.filter((m) => !familyFacts(m.material.family).clear);
  const dirty = JSON.stringify(draft) !== JSON.stringify(tile?.tile);
  async function run(call: () => Promise<void>) {
    try {
      await call();
      await changed("tiles");
      setFault(undefined);
    } catch (error) {
      setFault(wording(error));
    }
  }
  const keep = (next: TileDraft) =>
    run(async () => {
      const kept = tile
        ? await ask(
            api.PUT("/api/tiles/{id}", {
              params: { path: { id: tile.id } },
              body: { version: tile.version, tile: next },
            }),
          )
        : await ask(api.POST("/api/tiles", { body: next }));
      setDraft(kept.tile);
      forget();
      await changed("tiles");
      onKept(kept.id);
    });
  const switchKind = (next: Kind) => {
    const base = plan.under[0]?.materialId ?? plan.rows[0]?.materialId;
    setDraft({
      ...draft,
      painted: [],
      plan: {
        ...plan,
        under: next === "dryBrushes" ? [tileCoat("baseCoat", paints.find((m) => m.id === base) ?? paints[0])] : [],
        rows: plan.rows.map((r) =>
          tileCoat(
            next === "dryBrushes" ? "dryBrush" : "baseCoat",
            paints.find((m) => m.id === r.materialId),
          ),
        ),
      },
    });
  };
  return (
    <section aria-label="Test tile" className="rounded-lg border border-line bg-panel print:border-0">
      <div className="flex flex-wrap items-end gap-3 border-b border-line p-3 print:hidden">
        <Field label="Name on the scrap" className="w-44">
          {(id) => (
            <TextInput
              id={id}
              {...bounds.TileDraft.name}
              value={draft.name}
              onChange={(e) => setDraft({ ...draft, name: e.target.value })}
            />
          )}
        </Field>
        <Field label="Rows hold" className="w-38">
          {(id) => (
            <Choice<Kind>
              id={id}
              label="Rows hold"
              value={kind}
              options={[
                { value: "grounds", label: "grounds" },
                { value: "dryBrushes", label: "dry-brush colours" },
              ]}
              onChange={switchKind}
            />
          )}
        </Field>
        <Field label="Texture" className="w-38">
          {(id) => (
            <Choice
              id={id}
              label="Texture"
              value={plan.zone.relief}
              options={choices(reliefWord)}
              onChange={(relief) => setPlan({ zone: { ...plan.zone, relief } })}
            />
          )}
        </Field>
        <Field label="Wanted face" className="w-36">
          {(id) => (
            <ColourInput
              id={id}
              label="wanted face"
              value={plan.look?.face ?? ""}
              onChange={(face) => setPlan({ look: face === "" ? undefined : { ...plan.look, face } })}
            />
          )}
        </Field>
        <span className="ml-auto flex gap-2">
          <Button onClick={() => window.print()}>
            <Printer size={15} aria-hidden /> Sheet
          </Button>
          {tile && dirty && (
            <Button
              onClick={() => {
                setDraft(tile.tile);
                forget();
              }}
            >
              As it was kept
            </Button>
          )}
          {tile && (
            <Button
              onClick={() =>
                void run(async () => {
                  await ask(
                    api.DELETE("/api/tiles/{id}", {
                      params: { path: { id: tile.id }, query: { version: tile.version } },
                    }),
                  );
                  onGone();
                  notify(
                    `Deleted ${tile.tile.name}.`,
                    () =>
                      void run(
                        async () =>
                          void (await ask(api.POST("/api/tiles/{id}/restore", { params: { path: { id: tile.id } } }))),
                      ),
                  );
                })
              }
            >
              Delete
            </Button>
          )}
          <Button
            look="main"
            disabled={!dirty || draft.name.trim() === "" || (plan.look?.face != null && !isColour(plan.look.face))}
            onClick={() => void keep(draft)}
          >
            Keep
          </Button>
        </span>
      </div>
      {(fault || preview.isError) && (
        <p role="alert" className="px-3 pt-2 text-sm font-semibold text-stop">
          {fault ?? wording(preview.error)}
        </p>
      )}
      <div className="grid grid-cols-1 gap-4 p-3 md:grid-cols-[15rem_minmax(0,1fr)] print:block">
        <div className="flex flex-col gap-4 print:hidden">
          {kind === "dryBrushes" && (
            <TileLines
              title="Ground under all"
              technique="baseCoat"
              coats={plan.under}
              paints={paints}
              most={1}
              onChange={(under) => setPlan({ under })}
            />
          )}
          <TileLines
            title={kind === "grounds" ? "Grounds, by row" : "Dry-brush colours, by row"}
            technique={kind === "grounds" ? "baseCoat" : "dryBrush"}
            coats={plan.rows}
            paints={paints}
            most={6}
            onChange={(rows) => setDraft({ ...draft, painted: [], plan: { ...plan, rows } })}
          />
          <TileLines
            title="Washes, by column"
            technique="wash"
            coats={plan.columns}
            paints={paints}
            most={6}
            onChange={(columns) => setDraft({ ...draft, painted: [], plan: { ...plan, columns } })}
          />
        </div>
        <TileGrid
          draft={draft}
          preview={preview.data}
          materials={materials}
          onCell={(row, column) => setCell({ row, column })}
        />
      </div>
      {cell && preview.data && (
        <CellDialog
          tile={tile}
          dirty={dirty}
          draft={draft}
          cell={preview.data.cells.find((c) => c.row === cell.row && c.column === cell.column)!}
          zones={zones}
          onPainted={(painted) => {
            setDraft({ ...draft, painted });
            if (tile) void keep({ ...draft, painted });
            setCell(undefined);
          }}
          onClose={() => setCell(undefined)}
        />
      )}
    </section>
  );
}
