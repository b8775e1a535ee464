import type { PaintColumn } from "../api/types";

const prefix = "lowfell.columns.";

// Tables of one sheet begin with the same headings: what was told of them once holds for the next.
const keyOf = (text: string): string | undefined => {
  const first = text.split("\n", 1)[0]!.trim().toLowerCase();
  return /[;,\t]/.test(first) && first.length <= 400 ? prefix + first : undefined;
};

/** What was told by hand of a table with these headings. */
export function rememberedColumns(text: string): PaintColumn[] | undefined {
  const key = keyOf(text);
  try {
    const kept = key && localStorage.getItem(key);
    return kept ? (JSON.parse(kept) as PaintColumn[]) : undefined;
  } catch {
    return undefined;
  }
}

/** The columns of a text as it is written on: with another first line it is another table. */
export function columnsFor(text: string, before: string, columns: PaintColumn[]): PaintColumn[] {
  const first = (t: string) => t.split("\n", 1)[0]!.trim();
  return rememberedColumns(text) ?? (first(text) === first(before) ? columns : []);
}

export function rememberColumns(text: string, columns: PaintColumn[]) {
  const key = keyOf(text);
  try {
    if (key) localStorage.setItem(key, JSON.stringify(columns));
  } catch {
    // Without room for it they are told again.
  }
}
