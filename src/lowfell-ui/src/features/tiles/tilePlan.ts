import { coatOf } from "../../craft/coatOf";
import type { Coat, Material, TileDraft, Technique, ZoneName } from "../../api/types";

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
export function firstTile(materials: Material[], zones: ZoneName[]): TileDraft {
  const paints = materials.filter((m) => m.material.family === "acrylicPaint" && m.material.effect === "plain");
  const washes = materials.filter((m) => m.material.family === "acrylicWash");
  const zone = zones[0];
  return {
    name: "",
    plan: {
      zone: {
        substrate: zone?.substrate ?? "polystyrene",
        relief: zone?.relief ?? "textured",
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
        scale: zone?.scale ?? 56,
        viewingMm: 1000,
        trialFactor: 1,
      },
      under: [],
      rows: paints.slice(0, 3).map((m) => tileCoat("baseCoat", m)),
      columns: washes.slice(0, 3).map((m) => tileCoat("wash", m)),
    },
    painted: [],
  };
}
