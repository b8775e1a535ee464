/** 1, 2, 3, 7 as "1–3, 7". */
export function ranges(copies: number[]): string {
  const runs: [number, number][] = [];
  for (const c of copies) {
    const last = runs.at(-1);
    if (last && last[1] === c - 1) last[1] = c;
    else runs.push([c, c]);
  }
  return runs.map(([a, b]) => (a === b ? `${a}` : `${a}–${b}`)).join(", ");
}
