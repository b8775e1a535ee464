import type { Option } from "./Choice";

/** Options whose name or group hold every word that was typed. */
export function matching<T extends string>(options: Option<T>[], text: string): Option<T>[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return words.length === 0
    ? options
    : options.filter((o) => {
        const name = `${o.group ?? ""} ${o.label}`.toLowerCase();
        return words.every((w) => name.includes(w));
      });
}
