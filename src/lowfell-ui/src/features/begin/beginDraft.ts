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

/** As it is asked for. */
export const requestOf = (d: BeginDraft, setId: string, dryRun: boolean): BeginRequest => ({
  setId,
  pieces: d.pieces,
  paints: d.paints,
  columns: d.columns,
  starter: d.starter,
  tools: d.tools,
  schemes: d.schemes,
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
