import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter, Route, Routes } from "react-router";
import { expect, test } from "vitest";
import { queryClient } from "../../api/client";
import type { MendCase, Repair, Symptom } from "../../api/types";
import { host, type Sent } from "../../test/host";
import { drawings } from "./drawings";
import { MendScreen } from "./MendScreen";
import { Taken } from "./Taken";

const symptom: Symptom = {
  key: "frost",
  name: "Frost",
  sees: "white bloom on a varnished zone",
  group: "Varnish",
  fits: true,
  causes: [
    { key: "damp", word: "can sprayed in damp air" },
    { key: "other", word: "something that is not on this list" },
  ],
  remedies: ["Thin gloss into the white"],
};
const said = (more: Partial<MendCase> = {}): MendCase => ({
  symptom,
  pieceId: "p",
  place: "Straight, Planks",
  coatId: "c",
  coats: [{ id: "c", what: "Varnish, Matt" }],
  copies: [1, 2, 3, 4].map((copy) => ({ copy, reached: copy < 4, shows: false })),
  causes: [
    { key: "damp", word: "can sprayed in damp air", share: 0.93, for: ["air at 78 %"], against: [], hits: 2 },
    { key: "shaken", word: "not shaken up", share: 0.04, for: [], against: ["not so: not shaken"], hits: 0 },
  ],
  said: "Most likely can sprayed in damp air.",
  ask: { question: 1, text: "Only in recesses?", answer: null },
  asked: [],
  askSigns: [{ sign: "notShaken", text: "Did it go on without being shaken or stirred?", answer: null }],
  offers: [
    {
      remedy: 0,
      kind: "coats",
      does: "Thin gloss into the white",
      minutes: 6,
      allMinutes: 18,
      takes: "gloss, matt varnish",
      risks: "a shinier recess",
      risk: "",
      ml: 0.4,
      missing: "",
      cautions: ["Open window."],
      steps: [{ what: "Varnish", paint: "Gloss", colour: "#f4f4f1", share: 0.25, minutes: 3, waitMin: 0 }],
    },
  ],
  next: [{ sign: "dampAir", words: "No can over 65 %", handsOnMin: 0, waitingMin: 30, ml: 0 }],
  nextCopies: 1,
  strip: "",
  notices: [],
  cases: 3,
  cautionNote: "The label comes first.",
  ...more,
});
const taken: Repair = {
  id: "r",
  zoneId: "z",
  zone: "Planks",
  at: "2026-11-20T20:00:00Z",
  copies: [1, 2],
  symptom: "Frost",
  cause: "can sprayed in damp air",
  causes: symptom.causes,
  does: "Thin gloss into the white",
  planChanged: true,
  steps: 4,
  done: 0,
  helped: null,
};

const open = (address: string, answers: Record<string, unknown> = {}) => {
  const sent = host({
    "GET /api/mend/symptoms": [
      symptom,
      { ...symptom, key: "silver", name: "Silvered decal", group: "Decals", fits: false },
    ],
    "POST /api/mend/case": said(),
    "POST /api/mend/repairs": taken,
    ...answers,
  });
  render(
    <QueryClientProvider client={queryClient}>
      <MemoryRouter initialEntries={[address]}>
        <Routes>
          <Route path="/bench/mend" element={<MendScreen />} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return sent;
};
const cases = (sent: Sent[]) => sent.filter((s) => s.path.endsWith("/mend/case")).map((s) => s.body!);

test("what is seen is chosen from the list, and asked about with the zone and copies at hand", async () => {
  const sent = open("/bench/mend?zone=z&copies=1,2");
  await userEvent.click(await screen.findByRole("button", { name: /Frost/ }));
  expect(await screen.findByTestId("said")).toHaveTextContent("Most likely can sprayed in damp air.");
  expect(cases(sent)[0]).toMatchObject({ symptom: "frost", zoneId: "z", copies: [1, 2] });
  const causes = within(screen.getByTestId("causes"));
  expect(causes.getByText("93 %")).toBeVisible();
  expect(causes.getByText("+ air at 78 %")).toBeVisible();
  expect(causes.getByText(/it was this 2 of 3 times here/)).toBeVisible();
  expect(screen.getByText("The label comes first.")).toBeVisible();
});

test("answers and what only the painter knows go along; what can't be told is not asked again", async () => {
  const sent = open("/bench/mend?zone=z&copies=1&symptom=frost");
  await screen.findByTestId("ask");
  await userEvent.click(within(screen.getByTestId("ask")).getByRole("button", { name: "No" }));
  expect(cases(sent).at(-1)).toMatchObject({ answers: [{ question: 1, yes: false }] });
  await userEvent.click(within(screen.getByRole("group", { name: /shaken/ })).getByRole("button", { name: "Yes" }));
  expect(cases(sent).at(-1)).toMatchObject({ told: [{ sign: "notShaken", yes: true }] });
  await userEvent.click(screen.getByRole("button", { name: "Can't tell" }));
  expect(screen.queryByTestId("ask")).toBeNull();
});

test("a remedy goes to the copies that show it with the change of the plan, unless that is unticked", async () => {
  const sent = open("/bench/mend?zone=z&symptom=frost");
  const take = await screen.findByRole("button", { name: "Do this" });
  expect(take).toBeDisabled();
  expect(screen.getByText(/On which copies do you see it/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "1" }));
  await userEvent.click(screen.getByRole("button", { name: "2" }));
  await userEvent.click(await screen.findByRole("button", { name: "Do this" }));
  const of = () => sent.filter((s) => s.method === "POST" && s.path.endsWith("/repairs")).at(-1)!.body!;
  expect(of()).toMatchObject({ zoneId: "z", symptom: "frost", copies: [1, 2], remedy: 0, edits: ["dampAir"] });
  await userEvent.click(screen.getByRole("checkbox"));
  await userEvent.click(screen.getByRole("button", { name: "Do this" }));
  expect(of()).toMatchObject({ edits: [] });
  expect(screen.getByRole("button", { name: "Change the plan alone" })).toBeDisabled();
});

test("without a piece it is a general answer, and nothing is taken up", async () => {
  open("/bench/mend?symptom=frost", {
    "POST /api/mend/case": said({ place: "", pieceId: null, coats: [], copies: [], notices: ["No piece is named."] }),
  });
  expect(await screen.findByText("No piece is named.")).toBeVisible();
  expect(screen.queryByRole("button", { name: "Do this" })).toBeNull();
});

test("a mend that was taken up says how far it is, whether it helped, and goes back", async () => {
  const sent = host({
    "GET /repairs": [taken, { ...taken, id: "s", done: 4 }],
    "POST /outcome": { ...taken, helped: true },
    "DELETE /r": { left: "" },
  });
  render(
    <QueryClientProvider client={queryClient}>
      <Taken pieceId="p" />
    </QueryClientProvider>,
  );
  const list = within(await screen.findByTestId("taken"));
  expect(list.getByText(/0 of 4 steps done/)).toBeVisible();
  // Whether it helped is asked once its steps are done; what is begun is not taken back.
  await userEvent.click(list.getByRole("button", { name: "That was it, it helped" }));
  expect(sent.find((s) => s.path.endsWith("/outcome"))!.body).toEqual({ helped: true, cause: "damp" });
  await userEvent.click(list.getByRole("button", { name: "Take back" }));
  expect(sent.some((s) => s.method === "DELETE" && s.path.endsWith("/z/r"))).toBe(true);
});

test("every drawing has something to draw", () => {
  for (const [key, d] of Object.entries(drawings)) expect(d.lines ?? d.light ?? d.dark, key).toBeTruthy();
  expect(Object.keys(drawings)).toHaveLength(40);
});
