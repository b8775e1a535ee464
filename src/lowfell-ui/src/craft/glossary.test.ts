import { expect, test } from "vitest";
import { craft } from "../api/words";
import { termsIn } from "./glossary";

const words = (text: string) => termsIn(text).map((t) => t.word);

test("terms are found as whole words, in any case and in their other forms", () => {
  expect(words("Recess, face and raised edge")).toEqual(["edge", "face", "recess"]);
  expect(words("3 set-ups")).toEqual(["set-up"]);
  expect(words("dE00 to the target")).toEqual(["dE00", "target"]);
  expect(words("Washing up the surface")).toEqual([]);
  expect(words("Undertone")).toEqual(["undertone"]);
});

test("every term finds itself and its other words", () => {
  for (const t of craft().glossary)
    for (const w of [t.word, ...t.also]) expect(words(`the ${w} here`)).toContain(t.word);
});
