import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter, Route, Routes } from "react-router";
import { beforeEach, expect, test } from "vitest";
import { queryClient } from "../../api/client";
import type { Pick, Reference } from "../../api/types";
import { host, type Sent } from "../../test/host";
import { ReferenceScreen } from "./ReferenceScreen";
import { changeOf, moved, nextHeight, withoutPick, withPick, withPurpose } from "./referenceEdits";

const pick = (part: Partial<Pick> = {}): Pick => ({
  zoneId: "z",
  zone: "Stone",
  piece: "Wall",
  height: "face",
  x: 0.4,
  y: 0.5,
  colour: "#a98a5c",
  now: "#b59a6b",
  words: "a shade lighter",
  deltaE: 4.2,
  onPurpose: "",
  ...part,
});
const picture = (part: Partial<Reference> = {}): Reference => ({
  id: "r",
  version: 3,
  setId: "s",
  pieceId: "p",
  photoId: "f",
  name: "Harbour wall",
  width: 400,
  height: 200,
  picks: [pick()],
  ...part,
});

test("a spot is picked anew in the place of the old one, and keeps what is noted of it", () => {
  const of = picture({ picks: [pick({ onPurpose: "greener" }), pick({ height: "edge" })] });
  const change = withPick(of, "z", "face", { x: 0.1, y: 0.2 });
  expect(change.picks).toHaveLength(2);
  expect(change.picks.at(-1)).toEqual({ zoneId: "z", height: "face", x: 0.1, y: 0.2, onPurpose: "greener" });
  expect(change.version).toBe(3);
  expect(withoutPick(of, of.picks[0]!).picks.map((p) => p.height)).toEqual(["edge"]);
  expect(withPurpose(of, of.picks[1]!, "dusty").picks.map((p) => p.onPurpose)).toEqual(["greener", "dusty"]);
  expect(changeOf(of).picks).toHaveLength(2);
});

test("the next height is the first that has no spot, and an aim stays on the picture", () => {
  expect(nextHeight(picture(), "z")).toBe("recess");
  expect(nextHeight(picture({ picks: [] }), "z")).toBe("recess");
  const all = (["recess", "face", "edge"] as const).map((height) => pick({ height }));
  expect(nextHeight(picture({ picks: all }), "z")).toBeUndefined();
  expect(moved({ x: 0.99, y: 0 }, 0.05, -0.05)).toEqual({ x: 1, y: 0 });
});

let sent: Sent[];
let pictures: Reference[];
const piece = {
  setId: "s",
  piece: { id: "p", piece: { name: "Wall" }, zones: [{ id: "z", settings: { name: "Stone" } }] },
};

beforeEach(() => {
  pictures = [picture()];
  sent = host({
    "GET /references": () => pictures,
    "PUT /r": () => pictures[0],
    "/pieces/p": piece,
    "/p": piece,
    "/materials": [],
  });
});

const show = () =>
  render(
    <QueryClientProvider client={queryClient}>
      <MemoryRouter initialEntries={["/piece/p/picture"]}>
        <Routes>
          <Route path="/piece/:pieceId/picture" element={<ReferenceScreen />} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
const kept = () => sent.filter((s) => s.method === "PUT").map((s) => s.body as ReturnType<typeof changeOf>);

test("by keys alone: arrows aim, Enter picks", async () => {
  show();
  const stage = await screen.findByTestId("pick-picture");
  expect(stage).toHaveAccessibleName(/Picks the face of Stone/);
  stage.focus();
  await userEvent.keyboard("{ArrowRight}{Shift>}{ArrowDown}{/Shift}{Enter}");
  await waitFor(() => expect(kept()).toHaveLength(1));
  expect(kept()[0]!.picks[0]).toMatchObject({ zoneId: "z", height: "face", x: 0.51, y: 0.55 });
});

test("a known grey is told with what it is", async () => {
  show();
  await userEvent.click(await screen.findByRole("button", { name: "a grey" }));
  const stage = screen.getByTestId("pick-picture");
  expect(stage).toHaveAccessibleName(/Picks a known grey/);
  stage.focus();
  await userEvent.keyboard("{ArrowLeft}{Enter}");
  await waitFor(() => expect(kept()).toHaveLength(1));
  expect(kept()[0]!.grey).toEqual({ x: 0.49, y: 0.5, is: "#777777" });
});

test("where a zone departs on purpose is noted, and a spot is given up", async () => {
  show();
  const row = within(await screen.findByTestId("picks"));
  expect(row.getByText(/planned a shade lighter/)).toBeVisible();
  await userEvent.type(row.getByLabelText("On purpose: the face of Stone"), "greener here");
  await userEvent.tab();
  await waitFor(() => expect(kept()).toHaveLength(1));
  expect(kept()[0]!.picks[0]!.onPurpose).toBe("greener here");
  await userEvent.click(row.getByRole("button", { name: "Remove the face of Stone" }));
  await waitFor(() => expect(kept()).toHaveLength(2));
  expect(kept()[1]!.picks).toEqual([]);
});

test("without a picture the screen says the next move", async () => {
  pictures = [];
  show();
  expect(await screen.findByText("What is Wall to look like?")).toBeVisible();
});
