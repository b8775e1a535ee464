import type { BeginRequest, PaintColumn, Tools } from "../../api/types";

/** What a painter has told of the first hour so far. */
export interface BeginDraft {
  pieces: string;
  paints: string;
  columns: PaintColumn[];
  starter: string[];
  tools: Tools;
  /** The tools were changed here; else those of the bench hold. */
  toolsTold?: boolean;
  schemes: BeginRequest["schemes"];
  /** The scheme that was chosen before any piece was told: for the first zone of each. */
  first?: string;
  readyBy: string;
  times: BeginRequest["times"];
  leaveOut: boolean;
}

/** What most painters have, until they say otherwise. */
export const usualTools: Tools = {
  brushes: true,
  airbrush: false,
  cans: true,
  booth: false,
  sponge: true,
  oils: false,
};

export const freshDraft = (): BeginDraft => ({
  pieces: "",
  paints: "",
  columns: [],
  starter: [],
  tools: usualTools,
  schemes: [],
  readyBy: "",
  times: "twoEvenings",
  leaveOut: false,
});

/** What was chosen zone by zone; the first zone of every other piece gets the scheme that was chosen for all. */
export function schemesOf({ schemes: chosen, first, pieces }: BeginDraft): NonNullable<BeginRequest["schemes"]> {
  const schemes = chosen ?? [];
  if (first === undefined) return schemes;
  const lines = pieces.split("\n").map((_, i) => i + 1);
  const open = lines.filter((line) => !schemes.some((s) => s.line === line && s.zone === 0));
  return [...schemes, ...open.map((line) => ({ line, zone: 0, scheme: first }))];
}

/** As it is asked for. */
export const requestOf = (d: BeginDraft, setId: string, dryRun: boolean): BeginRequest => ({
  setId,
  pieces: d.pieces,
  paints: d.paints,
  columns: d.columns,
  starter: d.starter,
  tools: d.tools,
  schemes: schemesOf(d),
  name: "",
  readyBy: d.readyBy || undefined,
  times: d.times,
  timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone ?? "",
  leaveOut: d.leaveOut,
  dryRun,
});

/** Another scheme for a zone. */
export function withScheme(d: BeginDraft, line: number, zone: number, scheme: string): BeginDraft {
  const others = (d.schemes ?? []).filter((s) => s.line !== line || s.zone !== zone);
  return { ...d, schemes: [...others, { line, zone, scheme }] };
}
