import type { DilutionForm, Family, Sheen, Technique, Thinner } from "./types";

/** The painter's words for the API's terms. */
export const techniqueGroups: { label: string; items: Technique[] }[] = [
  { label: "Cover", items: ["baseCoat", "sprayCan", "airbrush", "sponge", "stipple"] },
  {
    label: "Light and shade",
    items: ["zenithal", "preShade", "modulation", "overbrush", "dryBrush", "edgeHighlight"],
  },
  { label: "Wash and tint", items: ["wash", "thinnedWash", "pinWash", "glaze", "filter"] },
  {
    label: "Wear and weather",
    items: ["spongeChipping", "chippingFluid", "openChips", "streak", "speckle", "marking", "pigment", "fixPigment"],
  },
  { label: "Seal", items: ["varnish", "varnishSpray", "seal", "dripGlue"] },
  { label: "Texture", items: ["texture", "gritInGlue", "cracklePaste", "crackleMedium"] },
];

export const techniqueWord: Record<Technique, string> = {
  baseCoat: "Base coat",
  sprayCan: "Spray can",
  airbrush: "Airbrush",
  zenithal: "Zenithal",
  preShade: "Pre-shade",
  modulation: "Modulation",
  overbrush: "Overbrush",
  dryBrush: "Dry brush",
  sponge: "Sponge",
  stipple: "Stipple",
  edgeHighlight: "Edge highlight",
  wash: "Wash",
  thinnedWash: "Thinned wash",
  glaze: "Glaze",
  filter: "Filter",
  pinWash: "Pin wash",
  streak: "Streak",
  speckle: "Speckle",
  spongeChipping: "Sponge chipping",
  chippingFluid: "Chipping fluid",
  openChips: "Open the chips",
  marking: "Marking",
  pigment: "Pigment",
  fixPigment: "Fix pigment",
  varnish: "Varnish",
  varnishSpray: "Varnish, sprayed",
  seal: "Seal",
  texture: "Texture",
  gritInGlue: "Grit in glue",
  dripGlue: "Drip glue",
  cracklePaste: "Crackle paste",
  crackleMedium: "Crackle medium",
};

/** Used as they come: nothing is thinned. */
export const takesThinner = (technique: Technique): boolean =>
  !["sprayCan", "pigment", "marking", "openChips"].includes(technique);

export const thinnerWord: Record<Thinner, string> = {
  water: "water",
  acrylicMedium: "acrylic medium",
  alcohol: "alcohol",
  whiteSpirit: "white spirit",
  lacquerThinner: "lacquer thinner",
};

export const dilutionFormWord: Record<DilutionForm, string> = {
  parts: "parts",
  thinnerOfWhole: "% of the whole",
  thinnerAdded: "% added",
};

export const sheenWord: Record<Sheen, string> = {
  gloss: "gloss",
  satin: "satin",
  matt: "matt",
  velvet: "velvet",
};

export const familyWord: Record<Family, string> = {
  acrylicPaint: "Acrylic paint",
  acrylicWash: "Wash, ink, stain",
  lacquer: "Lacquer paint",
  enamelPaint: "Enamel paint",
  enamelWash: "Enamel wash",
  oilPaint: "Oil paint",
  varnishWater: "Varnish, water-borne",
  varnishLacquer: "Varnish, lacquer",
  varnishEnamel: "Varnish, enamel",
  primerAerosol: "Primer, can",
  primerWater: "Primer, water-borne",
  texturePaste: "Texture paste",
  cracklePaste: "Crackle paste",
  crackleMedium: "Crackle medium",
  pva: "PVA glue",
  skim: "Home-made skim",
  superGlue: "Super glue",
  grit: "Grit and sand",
  chippingMedium: "Chipping fluid",
  washableMarking: "Washable marking",
  pigment: "Pigment",
  acrylicMedium: "Acrylic medium",
};

export const substrateWord: Record<string, string> = {
  polystyrene: "polystyrene",
  resin: "resin",
  printedPlastic: "printed plastic",
  mdf: "MDF",
  card: "card",
  foam: "extruded foam",
  cork: "cork",
  plaster: "plaster",
  metal: "metal",
};

/** `1.5` or `12`, never `12.0`. */
export const number = (value: number, digits = 1): string => value.toFixed(digits).replace(/\.0+$/, "");

/** Square millimetres as painters read them. */
export const area = (mm2: number): string => `${number(mm2 / 100, mm2 < 1000 ? 1 : 0)} cm²`;

/** Minutes as painters read them. */
export const duration = (minutes: number): string =>
  minutes < 90
    ? `${Math.max(1, Math.round(minutes))} min`
    : minutes < 48 * 60
      ? `${number(minutes / 60, 1)} h`
      : `${number(minutes / 1440, 1)} days`;
