/** How far a copy is, from its letters: d on, s left out, . open, - not for this copy (a mend of others). */
export function stepsOf(letters: string): { on: number; of: number } {
  const own = [...letters].filter((l) => l !== "-");
  return { on: own.filter((l) => l !== ".").length, of: own.length };
}
