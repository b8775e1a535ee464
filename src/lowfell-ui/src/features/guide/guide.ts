import text from "../../../../../docs/guide.md?raw";

/** A page of the guide. */
export interface GuidePage {
  slug: string;
  title: string;
  /** Its text, in Markdown, without the title. */
  text: string;
}

/** A place in the guide where something is said. */
export interface GuideHit {
  page: GuidePage;
  /** The line that says it, without its marks. */
  line: string;
}

export const slugOf = (title: string) =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "");

/** The pages of a guide: one for each heading of the second level. */
export function pagesOf(guide: string): GuidePage[] {
  return guide
    .split(/^## /m)
    .slice(1)
    .map((part) => {
      const [title = "", ...rest] = part.split("\n");
      return { slug: slugOf(title.trim()), title: title.trim(), text: rest.join("\n").trim() };
    });
}

export const pages = pagesOf(text);

const bare = (line: string) =>
  line
    .replace(/!\[([^\]]*)\]\([^)]*\)/g, "$1")
    .replace(/[*`#]/g, "")
    .replace(/^- /, "")
    .trim();

const mostHits = 30;

/** Where all words that are asked for are said, in the order of the guide. */
export function find(asked: string, of: GuidePage[] = pages): GuideHit[] {
  const words = asked.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const all = of.flatMap((page) =>
    [page.title, ...page.text.split("\n")].map((line) => ({ page, line: bare(line) })).filter((h) => h.line !== ""),
  );
  return all.filter((h) => words.every((w) => h.line.toLowerCase().includes(w))).slice(0, mostHits);
}
