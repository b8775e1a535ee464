import { craft } from "../api/words";

export interface Term {
  word: string;
  says: string;
}

let finders: { term: Term; pattern: RegExp }[] | undefined;

const escaped = (text: string) => text.replaceAll(/[.*+?^${}()|[\]\\]/g, "\\$&");

/** Every term of the glossary that stands in a text, in the order of the glossary. */
export function termsIn(text: string): Term[] {
  finders ??= craft().glossary.map((t) => ({
    term: { word: t.word, says: t.says },
    pattern: new RegExp(`(^|[^\\p{L}-])(${[t.word, ...t.also].map(escaped).join("|")})($|[^\\p{L}-])`, "iu"),
  }));
  return finders.filter((f) => f.pattern.test(text)).map((f) => f.term);
}
