import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter, Route, Routes } from "react-router";
import { expect, test } from "vitest";
import { craft } from "../../api/words";
import { find, pages, pagesOf, slugOf } from "./guide";
import { GuideScreen } from "./GuideScreen";
import { pictures } from "./pictures";

const text = readFileSync(join(__dirname, "../../../../../docs/guide.md"), "utf8");

test("a page for each heading, the first evening first", () => {
  expect(pages[0]!.slug).toBe("the-first-evening");
  expect(slugOf("Keys and words")).toBe("keys-and-words");
  expect(pagesOf("# T\n\nintro\n\n## One\n\nA.\n\n## Two\nB.")).toEqual([
    { slug: "one", title: "One", text: "A." },
    { slug: "two", title: "Two", text: "B." },
  ]);
});

test("the first evening has ten steps, and every picture is there and told in words", () => {
  const steps = pages[0]!.text.match(/^### \d+\. /gm) ?? [];
  expect(steps.map((s) => Number.parseInt(s.slice(4), 10))).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]);
  const shown = [...text.matchAll(/!\[([^\]]*)\]\(([^)]*)\)/g)];
  expect(shown.length).toBeGreaterThan(5);
  for (const [, alt, path] of shown) {
    expect(pictures[path!], path).toBeTruthy();
    expect(alt).not.toBe("");
  }
});

test("what the guide names is on a screen by that name", () => {
  const sources = (at: string): string[] =>
    readdirSync(at, { withFileTypes: true }).flatMap((e) =>
      e.isDirectory()
        ? sources(join(at, e.name))
        : /(?<!\.test)\.tsx?$/.test(e.name) && !at.endsWith("guide")
          ? [readFileSync(join(at, e.name), "utf8")]
          : [],
    );
  const all = [...sources(join(__dirname, "../..")), JSON.stringify(craft())].join("\n").replace(/\s+/g, " ");
  const named = [...text.matchAll(/(?<!\*)\*([A-Z][^*\n]+)\*(?!\*)/g)].map((m) => m[1]!);
  expect(named.length).toBeGreaterThan(15);
  const missing = named.filter((n) => !all.toLowerCase().includes(n.toLowerCase()));
  expect(missing).toEqual([]);
});

test("it is searched by all words, and says what to do where nothing is found", async () => {
  expect(find("grey lamp").map((h) => h.page.title)).toContain("Piece");
  expect(find("")).toEqual([]);
  expect(find("nothing of the kind zzz")).toEqual([]);
  render(
    <MemoryRouter initialEntries={["/guide/shelf"]}>
      <Routes>
        <Route path="/guide/:page" element={<GuideScreen />} />
      </Routes>
    </MemoryRouter>,
  );
  expect(screen.getByTestId("guide-page")).toHaveAccessibleName("Shelf");
  await userEvent.type(screen.getByLabelText("Find in the guide"), "rinse water");
  await userEvent.click(screen.getAllByRole("button")[0]!);
  expect(screen.getByTestId("guide-page")).toHaveTextContent("rinse water");
  await userEvent.type(screen.getByLabelText("Find in the guide"), "zzz");
  expect(screen.getByText(/Try another word/)).toBeVisible();
});
