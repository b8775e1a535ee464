/** Small drawings of what is seen, on a field of 32 by 32: lines that are drawn, areas that are filled lighter, and areas filled darker. */
export interface Drawing {
  lines?: string;
  light?: string;
  dark?: string;
}

const dots = (at: [number, number, number][]) =>
  at.map(([x, y, r]) => `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`).join("");

/** By key of the symptom. */
export const drawings: Record<string, Drawing> = {
  frost: {
    lines: "M4 10h24M4 22h24",
    light: dots([
      [7, 10, 2],
      [12, 11, 1.5],
      [18, 10, 2.5],
      [25, 10, 2],
      [9, 22, 2],
      [16, 22, 2.5],
      [23, 21, 1.5],
    ]),
  },
  ring: { lines: "M7 12q9-6 18 1q3 9-5 12q-12 3-14-6q-1-4 1-7z", dark: "M9 21q7 5 14-1l1 3q-8 6-16 1z" },
  beads: {
    light: dots([
      [8, 9, 3],
      [19, 7, 2],
      [24, 14, 3.5],
      [13, 18, 3],
      [7, 25, 2],
      [20, 25, 3],
    ]),
  },
  lifted: { lines: "M4 12h9l2 5h8l1-5h4", light: "M13 12l2 5h8l1-5q-5 4-11 0z", dark: "M13 12q6 4 11 0l-1 5h-8z" },
  ruboff: { lines: "M6 26V9l5-4h15", light: "M6 12l2-4 5-3h6l-8 3-2 8z" },
  grain: {
    dark: dots([
      [6, 7, 1],
      [11, 5, 1],
      [17, 8, 1],
      [23, 6, 1],
      [27, 11, 1],
      [8, 13, 1],
      [14, 14, 1],
      [20, 13, 1],
      [5, 19, 1],
      [11, 20, 1],
      [17, 19, 1],
      [25, 18, 1],
      [8, 26, 1],
      [15, 25, 1],
      [21, 26, 1],
      [27, 24, 1],
    ]),
  },
  strokes: { lines: "M4 8q12-3 24 0M4 13q12-3 24 0M4 18q12-3 24 0M4 23q12-3 24 0" },
  chalk: { light: "M4 8h24v4H4zM4 20h24v4H4z", lines: "M6 10h3M13 10h4M22 10h3M9 22h4M18 22h5" },
  cracks: { lines: "M3 10l8 3 4-7 6 8 8-2M11 13l-2 9 8 4 4-12M9 22l-6 2M17 26l2 4M21 14l7 7" },
  nocrackle: { lines: "M4 7h24v18H4zM9 11h3M20 20h3" },
  flakes: { lines: "M3 22h26", light: "M6 20l7-2 1 4H6zM17 14l8-5 2 4-7 5zM14 8l5-3 1 3-5 2z" },
  nochips: { lines: "M4 22h24M20 6l-6 10", dark: "M12 15l4 2-3 5z" },
  allchips: { lines: "M4 24h24", light: "M4 18h5l3-6h9l2 5h5v7H4z", dark: "M9 18l3-6h9l2 5-6 3z" },
  dark: { dark: "M4 6h24v20H4z", light: "M9 10h4v3H9zM20 17h4v3h-4z" },
  detail: { lines: "M4 12q5 3 8 3t8 0 8-3M4 22q5 1 8 1t8 0 8-1" },
  match: { light: "M4 7h11v18H4z", dark: "M17 7h11v18H17z" },
  silver: { lines: "M7 9h18v14H7z", light: "M11 12q5-2 9 1t-1 6-9-1z" },
  gone: {
    lines: "M4 24h24M8 20l-2-5M15 19l0-6M23 20l3-5",
    dark: dots([
      [5, 12, 1],
      [15, 9, 1],
      [27, 12, 1],
    ]),
  },
  fog: { lines: "M4 16h24", light: "M6 13q4-5 9-2 5-4 10 1 3 5-2 8-6 3-11 1-7 2-8-4z" },
  shiny: { lines: "M4 24h24", light: "M11 7l2 5 5 2-5 2-2 5-2-5-5-2 5-2zM23 13l1 3 3 1-3 1-1 3-1-3-3-1 3-1z" },
  sticky: { lines: "M16 4v10M12 5v8M20 5v8", dark: "M7 22q9-7 18 0v4H7z" },
  tufts: {
    lines: "M16 26V10M16 26l-7-13M16 26l7-13M16 26L5 18M16 26l11-8",
    light: dots([
      [16, 9, 2],
      [9, 12, 2],
      [23, 12, 2],
    ]),
  },
  grit: {
    lines: "M3 16h26",
    dark: dots([
      [6, 14, 1.5],
      [11, 13, 2],
      [22, 14, 1.5],
      [14, 22, 1.5],
      [19, 25, 2],
      [9, 27, 1],
    ]),
  },
  swollen: { lines: "M4 24V12q12-1 24 0v12z", dark: "M4 12q4-6 8-2t8-1 8 3q-12-1-24 0z" },
  melted: { lines: "M4 9h6q2 12 6 4t5 0 7-4M4 25h24" },
  warped: { lines: "M4 22q12-14 24 0M4 25q12-14 24 0" },
  sag: { lines: "M8 4v12q4 10 8 4t8-2V4" },
  lines: { lines: "M4 6h24", dark: "M9 6h3v19H9zM19 6h3v16h-3z" },
  tint: { lines: "M10 6h12l-2 20h-8z", dark: "M11 14h10l-1 12h-8z" },
  prints: { lines: "M11 25V14q0-5 5-5t5 5v11M14 25V15q0-2 2-2t2 2v10M8 23V13q0-8 8-8t8 8v10" },
  dust: {
    lines: "M8 10q5-4 9 1t8-1M7 21q4 4 8 0t9 2",
    dark: dots([
      [22, 16, 1],
      [10, 15, 1],
      [16, 26, 1],
    ]),
  },
  split: {
    lines: "M4 16h8M12 16l14-7M12 16l14 7",
    dark: dots([
      [27, 15, 1.5],
      [22, 17, 1],
      [25, 20, 1],
    ]),
  },
  pink: { light: "M16 5q10 12 6 18-6 6-12 0-4-6 6-18z", lines: "M16 5q10 12 6 18-6 6-12 0-4-6 6-18z" },
  overspray: {
    lines: "M16 5v22",
    dark: dots([
      [18, 9, 1],
      [21, 13, 1],
      [18, 17, 1],
      [24, 18, 1],
      [19, 23, 1],
      [22, 25, 1],
    ]),
    light: "M4 5h12v22H4z",
  },
  latewash: { lines: "M10 9h12M10 9v6l6 5 6-5V9M16 20v6M11 26h10" },
  ran: { light: "M4 6h12q3 6 0 10t2 10H4z", dark: "M16 6h12v20H18q1-6-2-10t0-10z" },
  flatshade: { lines: "M4 8h24M4 16h24M4 24h24", light: "M4 8h24v16H4z" },
  dullmetal: { lines: "M5 22l8-12 6 6 8-9", dark: "M4 25h24v2H4z" },
  stick: { lines: "M4 8h11v16H4zM17 8h11v16H17zM15 12h2M15 16h2M15 20h2" },
  edges: { lines: "M5 10l6-4h16v14l-6 5H5z", dark: "M5 22h16l6-5v3l-6 5H5z" },
};
