import { coatOf } from "../../craft/coatOf";
import type { Coat, Material, SetView, TileDraft, Technique } from "../../api/types";

/** A coat of a tile, of one material as that technique usually takes it. */
export const tileCoat = (technique: Technique, material: Material | undefined): Coat => ({
  ...coatOf(technique, material),
  passes: technique === "baseCoat" ? 2 : 1,
});

export type Kind = "grounds" | "dryBrushes";

/** What the rows hold: a ground, or a dry-brush colour over one. */
export const kindOf = (tile: TileDraft): Kind =>
  tile.plan.rows[0]?.technique === "dryBrush" ? "dryBrushes" : "grounds";

/** A first tile from what the shelf has. */
export function firstTile(materials: Material[], sets: SetView[]): TileDraft {
  const paints = materials.filter((m) => m.material.family === "acrylicPaint" && m.material.effect === "plain");
  const washes = materials.filter((m) => m.material.family === "acrylicWash");
  const zone = sets
    .flatMap((s) => s.pieces.map((p) => ({ set: s, piece: p.piece, zone: p.zones[0] })))
    .find((p) => p.zone);
  return {
    name: "",
    plan: {
      zone: {
        substrate: zone?.piece.substrate ?? "polystyrene",
        relief: zone?.zone?.settings.relief ?? "textured",
        facing: "up",
        areaMm2: 2500,
        copies: 1,
        litEdges: 1,
        unseen: 0,
        handled: false,
        rim: false,
        cutEdges: false,
        finish: "matt",
        tolerance: 5,
        scale: zone?.set.scale ?? 56,
        viewingMm: zone?.set.viewingMm ?? 1000,
      },
      under: [],
      rows: paints.slice(0, 3).map((m) => tileCoat("baseCoat", m)),
      columns: washes.slice(0, 3).map((m) => tileCoat("wash", m)),
    },
    painted: [],
  };
}
