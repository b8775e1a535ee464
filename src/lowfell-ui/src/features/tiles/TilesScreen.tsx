import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { Plus } from "lucide-react";
import { Link } from "react-router";
import { useChosen } from "../../craft/useChosen";
import { wording } from "../../api/client";
import { Button } from "../../ui";
import { TileEditor } from "./TileEditor";

/** Test tiles: candidate colours on a scrap of the same texture, predicted before it is painted. */
export function TilesScreen() {
  const tiles = useQuery(queries.tiles());
  const materials = useQuery(queries.materials());
  const zones = useQuery(queries.zones());
  const [open, setOpen] = useChosen("tile");
  const error = tiles.error ?? materials.error ?? zones.error;
  if (error)
    return (
      <p role="alert" className="p-6">
        {wording(error)}
      </p>
    );
  if (!tiles.data || !materials.data || !zones.data) return <p className="p-6 text-soft">Opening the tiles…</p>;
  if (materials.data.length === 0)
    return (
      <p className="p-10 text-center text-soft">
        A tile tries out colours of your shelf, and the shelf is bare.{" "}
        <Link to="/shelf" className="font-semibold text-accent underline">
          Put the first materials on it
        </Link>
        .
      </p>
    );
  const current = open === "new" ? undefined : (tiles.data.find((t) => t.id === open) ?? tiles.data[0]);
  return (
    <div className="mx-auto grid w-full max-w-[1500px] flex-1 grid-cols-1 lg:grid-cols-[14rem_minmax(0,1fr)] items-start gap-3 p-3 print:block">
      <section aria-label="Test tiles" className="rounded-lg border border-line bg-panel print:hidden">
        <div className="flex items-center border-b border-line p-2">
          <h1 className="px-2 text-lg font-semibold">Tiles</h1>
          <Button className="ml-auto" onClick={() => setOpen("new")}>
            <Plus size={15} aria-hidden /> Tile
          </Button>
        </div>
        {tiles.data.length === 0 && (
          <p className="p-4 text-sm text-soft">No tile yet. Draw one up beside: colours by row, washes by column.</p>
        )}
        <ul>
          {tiles.data.map((t) => (
            <li key={t.id}>
              <button
                type="button"
                aria-current={t.id === current?.id}
                onClick={() => setOpen(t.id)}
                className={`block w-full truncate border-b border-line px-3 py-2 text-left text-sm ${t.id === current?.id ? "bg-tint font-semibold" : "hover:bg-raised"}`}
              >
                {t.tile.name}
                <span className="block text-xs font-normal text-soft">
                  {t.tile.plan.rows.length} × {t.tile.plan.columns.length}
                  {t.tile.painted.length > 0 && `, ${t.tile.painted.length} painted`}
                </span>
              </button>
            </li>
          ))}
        </ul>
      </section>
      <TileEditor
        key={open === "new" ? "new" : `${current?.id ?? "new"} ${current?.version ?? 0}`}
        tile={open === "new" ? undefined : current}
        materials={materials.data}
        zones={zones.data}
        onKept={setOpen}
        onGone={() => setOpen(null)}
      />
    </div>
  );
}
