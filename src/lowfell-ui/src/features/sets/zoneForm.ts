import type { UseFormReturn } from "react-hook-form";
import type { PieceView, ZoneSettings, ZoneView } from "../../api/types";
import { own } from "../../ui";

/** A zone as nobody has told it yet. */
export const usual: ZoneSettings = {
  name: "",
  areaShare: 1,
  relief: "textured",
  facing: "side",
  litEdges: 1,
  unseen: 0,
  handled: false,
  rim: false,
  cutEdges: false,
  finish: "matt",
  tolerance: 5,
  neighbours: [],
  mates: [],
  fitting: "free",
};

const said = (text: string) => (text.trim() === "" ? undefined : text.trim());

const optional = (text: string) => (text.trim() === "" ? undefined : Number(text));

/** A zone as it is typed: figures as texts, in the painter's own units. */
export interface ZoneForm extends ZoneSettings {
  sharePercent: number;
  detail: string;
  creases: string;
  edges: string;
  litPercent: string;
  unseenPercent: string;
  from: string;
  to: string;
  crack: string;
  hex: string;
  hexRecess: string;
  hexEdge: string;
}

export type ZoneFormed = Pick<UseFormReturn<ZoneForm>, "register" | "setValue" | "formState">;

/** What a zone starts from: as it is kept, else the rest of its piece. */
export const startOf = (piece: PieceView, zone: ZoneView | undefined): ZoneSettings =>
  zone?.settings ?? {
    ...usual,
    areaShare: Math.max(
      0.01,
      Math.round((1 - piece.zones.reduce((n, z) => n + (z.settings.areaShare ?? 0), 0)) * 100) / 100,
    ),
  };

/** A zone as it is typed. */
export function typedOf(start: ZoneSettings): ZoneForm {
  const [mm, mm2] = [own("mm"), own("mm²")];
  return {
    ...start,
    ownAreaMm2: start.ownAreaMm2 == null ? undefined : mm2.show(start.ownAreaMm2),
    sharePercent: Math.round((start.areaShare ?? 0.1) * 1000) / 10,
    detail: mm.text(start.smallestDetailMm),
    creases: mm.text(start.creaseMm),
    edges: mm.text(start.edgeMm),
    litPercent: String(Math.round(start.litEdges * 100)),
    unseenPercent: String(Math.round(start.unseen * 100)),
    from: mm.text(start.heightFromMm),
    to: mm.text(start.heightToMm),
    crack: start.crackColour ?? "",
    hex: start.target ?? "",
    hexRecess: start.targetRecess ?? "",
    hexEdge: start.targetEdge ?? "",
  };
}

/** And back, what nobody touched to the last digit. */
export function settingsOf(typed: ZoneForm, start: ZoneSettings, byShare: boolean): ZoneSettings {
  const [mm, mm2] = [own("mm"), own("mm²")];
  const {
    sharePercent,
    detail,
    creases,
    edges,
    litPercent,
    unseenPercent,
    from,
    to,
    crack,
    hex,
    hexRecess,
    hexEdge,
    ...v
  } = typed;
  return {
    ...v,
    ...(byShare
      ? { areaShare: sharePercent / 100, ownAreaMm2: undefined }
      : { areaShare: undefined, ownAreaMm2: mm2.kept(v.ownAreaMm2 ?? "", start.ownAreaMm2) }),
    smallestDetailMm: mm.kept(detail, start.smallestDetailMm),
    creaseMm: mm.kept(creases, start.creaseMm),
    edgeMm: mm.kept(edges, start.edgeMm),
    litEdges: (optional(litPercent) ?? 100) / 100,
    unseen: (optional(unseenPercent) ?? 0) / 100,
    heightFromMm: mm.kept(from, start.heightFromMm),
    heightToMm: mm.kept(to, start.heightToMm),
    crackColour: said(crack),
    target: said(hex),
    targetRecess: said(hexRecess),
    targetEdge: said(hexEdge),
  };
}

/** Fields that are asked of every zone; all others fold away. */
const asked = ["name", "relief", "areaShare", "sharePercent", "schemeId"];

/** Whether a zone tells anything beyond what is asked of every zone. */
export const tellsMore = (start: ZoneSettings) =>
  (Object.keys(start) as (keyof ZoneSettings)[]).some(
    (k) => !asked.includes(k) && start[k] != null && JSON.stringify(start[k]) !== JSON.stringify(usual[k]),
  );
