import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter, Route, Routes } from "react-router";
import { expect, test } from "vitest";
import { queryClient } from "../../api/client";
import type { BoardView } from "../../api/types";
import { host } from "../../test/host";
import { BoardScreen } from "./BoardScreen";
import { frameOf, halfOf, next, rowOf, snapped, type Standing } from "./place";

const pieces: BoardView["pieces"] = [
  {
    id: "w",
    name: "Wall",
    copies: 3,
    lengthMm: 150,
    widthMm: 14,
    heightMm: 70,
    rectangle: false,
    colour: "#808070",
  },
  { id: "t", name: "Tower", copies: 1, lengthMm: 60, widthMm: 60, heightMm: 120, rectangle: true, colour: null },
];
const standing = (id: string, copy: number, xMm: number, more: Partial<Standing> = {}): Standing => ({
  id,
  pieceId: "w",
  copy,
  xMm,
  yMm: 7,
  turn: 0,
  onMm: 0,
  tiltDeg: 0,
  ...more,
});
const datum = { id: "d", name: "Tide", kind: "level" as const, heightMm: 22, wanderMm: 0, pieceIds: [] };
const board: BoardView["board"] = {
  copies: [standing("a", 1, 75), standing("b", 2, 225, { onMm: 12 })],
  pieces: [],
  joins: [],
  datums: [datum],
  classes: [],
};
const level = (marks: number[]): BoardView["answer"]["copies"][number]["levels"][number] => ({
  datumId: "d",
  state: "over",
  points: marks.map((markMm, i) => ({ atMm: 75 * i, heightMm: markMm, markMm })),
  fadesAt: [],
  parts: [],
  line: marks,
});
const copyOf = (id: string, name: string, footMm: number, marks: number[]) => ({
  id,
  pieceId: "w",
  name,
  footMm,
  levels: [level(marks)],
});
const view: BoardView = {
  setId: "s",
  name: "Sea wall",
  version: 3,
  board,
  pieces,
  answer: {
    joins: [
      {
        a: "a",
        aSide: "right",
        b: "b",
        bSide: "left",
        stepMm: 12,
        measured: false,
        missMm: 0,
        paintMm: 0.1,
        gapMm: null,
        gapLeftMm: null,
      },
    ],
    copies: [copyOf("a", "Wall 1", 0, [22, 22, 22]), copyOf("b", "Wall 2", 12, [10, 8, 6])],
    loose: [],
    groups: 1,
    faults: [],
    notes: [],
  },
  gone: 0,
  usualLines: [{ name: "Dust", kind: "ground", heightMm: 4, wanderMm: 1 }],
};

const show = () =>
  render(
    <MemoryRouter initialEntries={["/sets/s/board"]}>
      <QueryClientProvider client={queryClient}>
        <Routes>
          <Route path="/sets/:setId/board" element={<BoardScreen />} />
        </Routes>
      </QueryClientProvider>
    </MemoryRouter>,
  );

test("what is let go near another comes to lie against it, else on the grid", () => {
  const copy = board.copies[1]!;
  expect(snapped(board, pieces, copy, { x: 229, y: 11 })).toEqual({ xMm: 225, yMm: 7 });
  expect(snapped(board, pieces, copy, { x: 402, y: 303 })).toEqual({ xMm: 400, yMm: 305 });
  // Turned by a quarter it is as deep as it was long.
  expect(halfOf(board, pieces, { ...copy, turn: 1 })).toEqual({ x: 7, y: 75 });
  expect(snapped(board, pieces, { ...copy, turn: 1 }, { x: 159, y: 74 })).toEqual({ xMm: 157, yMm: 75 });
});

test("the next copy is put to the right of the last, and none is put twice", () => {
  expect(next(board, pieces, pieces[0]!, "c")).toMatchObject({ copy: 3, xMm: 375, yMm: 7 });
  const full = { ...board, copies: [...board.copies, standing("c", 3, 375)] };
  expect(next(full, pieces, pieces[0]!, "d")).toBeUndefined();
  expect(next(full, pieces, pieces[1]!, "d")).toMatchObject({ copy: 1, xMm: 480, yMm: 30 });
  expect(rowOf(view, "b")).toEqual(["a", "b"]);
  const frame = frameOf(full, pieces);
  expect(frame.x).toBeLessThan(0);
  expect(frame.x + frame.width).toBeGreaterThan(450);
});

test("heights are told above the own foot of each copy, and a copy is set up otherwise", async () => {
  const sent = host({ "GET /board": view, "PUT /board": { ...view, version: 4 } });
  show();
  const rows = within(await screen.findByTestId("heights")).getAllByRole("row");
  expect(rows[1]).toHaveTextContent("Wall 10 mm22 mm");
  expect(rows[2]).toHaveTextContent("Wall 212 mm10 mm, 8 mm, 6 mm");
  await userEvent.click(screen.getByRole("button", { name: "Wall 2 +12" }));
  expect(within(screen.getByTestId("joins")).getByLabelText("Its foot is higher by")).toHaveAttribute(
    "placeholder",
    "-12",
  );
  await userEvent.type(screen.getByLabelText("Room between"), "2");
  expect(sent.findLast((s) => s.method === "PUT")!.body).toMatchObject({
    board: { joins: [{ a: "a", aSide: "right", b: "b", bSide: "left", gapMm: 2 }] },
  });
  await userEvent.keyboard("{Escape}");
  await userEvent.click(within(screen.getByTestId("chosen-copy")).getByRole("button", { name: "Turn" }));
  expect(sent.findLast((s) => s.method === "PUT")!.body).toMatchObject({ board: { copies: [{}, { turn: 1 }] } });
});

test("a change is kept on the version that is there, and undone as it was", async () => {
  let version = 3;
  const sent = host({ "GET /board": view, "PUT /board": () => ({ ...view, version: ++version }) });
  show();
  await userEvent.click(await screen.findByRole("button", { name: "Put one: Wall" }));
  const put = sent.find((s) => s.method === "PUT")!.body as { version: number; board: BoardView["board"] };
  expect(put.version).toBe(3);
  expect(put.board.copies).toHaveLength(3);
  await userEvent.click(screen.getByRole("button", { name: "Undo" }));
  const undone = sent.findLast((s) => s.method === "PUT")!.body as typeof put;
  expect(undone.version).toBe(4);
  expect(undone.board).toEqual(board);
});

test("what cannot be is said above the board, and what is gone is counted", async () => {
  host({
    "/board": {
      ...view,
      gone: 2,
      answer: {
        ...view.answer,
        faults: [{ field: "copies[0]", what: "Wall 1 and Wall 2 stand 14 mm in each other: move one of them." }],
        notes: ["No piece reaches 95 mm; the line 'Tide' touches none."],
      },
    },
  });
  show();
  expect(await screen.findByRole("alert")).toHaveTextContent("stand 14 mm in each other");
  expect(screen.getByTestId("board-faults")).toHaveTextContent("No piece reaches 95 mm");
  expect(screen.getByTestId("board-faults")).toHaveTextContent("2 copies that stood here are no longer in the set");
});

type Put = { version: number; board: BoardView["board"] };
const lastPut = (sent: ReturnType<typeof host>) => sent.findLast((s) => s.method === "PUT")!.body as Put;
const open = () => {
  let version = 3;
  const sent = host({
    "GET /board": view,
    "PUT /board": (put: { body: Put }) => ({ ...view, version: ++version, board: put.body.board }),
  });
  show();
  return sent;
};

const onBoard = async (name: string) => within(await screen.findByTestId("board")).getByRole("button", { name });

test("the step is told from where one stands: higher at one copy is lower at the other", async () => {
  const sent = open();
  await userEvent.click(await onBoard("Wall 1"));
  const step = () => within(screen.getByTestId("joins")).getByLabelText("Its foot is higher by");
  expect(step()).toHaveAttribute("placeholder", "12");
  await userEvent.type(step(), "9");
  expect(lastPut(sent).board.joins).toEqual([
    { a: "a", aSide: "right", b: "b", bSide: "left", stepMm: 9, gapMm: null },
  ]);
  await userEvent.click(await onBoard("Wall 2 +12"));
  await userEvent.type(step(), "-8");
  expect(lastPut(sent).board.joins).toEqual([
    { a: "a", aSide: "right", b: "b", bSide: "left", stepMm: 8, gapMm: null },
  ]);
});

test("by keys a copy is moved, turned and taken off", async () => {
  const sent = open();
  const wall = await onBoard("Wall 1");
  wall.focus();
  await userEvent.keyboard("{ArrowUp}");
  expect(lastPut(sent).board.copies[0]).toMatchObject({ xMm: 75, yMm: 12 });
  await userEvent.keyboard("r");
  expect(lastPut(sent).board.copies[0]).toMatchObject({ turn: 1 });
  await userEvent.keyboard("{Delete}");
  expect(lastPut(sent).board.copies.map((c) => c.id)).toEqual(["b"]);
  expect(screen.queryByTestId("chosen-copy")).toBeNull();
});

test("what was undone is done again, until something else is", async () => {
  const sent = open();
  await userEvent.click(await screen.findByRole("button", { name: "Put one: Wall" }));
  await userEvent.click(screen.getByRole("button", { name: "Undo" }));
  expect(lastPut(sent).board.copies).toHaveLength(2);
  await userEvent.click(screen.getByRole("button", { name: "Redo" }));
  expect(lastPut(sent).board.copies).toHaveLength(3);
  await userEvent.click(screen.getByRole("button", { name: "Undo" }));
  await userEvent.click(screen.getByRole("button", { name: "Put one: Tower" }));
  expect(screen.getByRole("button", { name: "Redo" })).toBeDisabled();
});

test("when another window was first it is said, and its board is fetched", async () => {
  const gets = () => sent.filter((s) => s.method === "GET" && s.path.endsWith("/board")).length;
  const sent = host({
    "GET /board": view,
    "PUT /board": () =>
      Response.json(
        { title: "Changed meanwhile.", status: 409, code: "stale", errors: { version: ["Version 4 is kept now."] } },
        { status: 409 },
      ),
  });
  show();
  await userEvent.click(await screen.findByRole("button", { name: "Put one: Tower" }));
  await waitFor(() => expect(gets()).toBe(2));
  expect(screen.getByRole("button", { name: "Undo" })).toBeDisabled();
  expect(screen.getByTestId("board-pieces")).toHaveTextContent("Tower0 of 1 on the board");
});

test("a line is added, named, put on some pieces, and taken away", async () => {
  const sent = open();
  const lines = within(await screen.findByRole("region", { name: "Lines" }));
  await userEvent.click(lines.getByRole("button", { name: "Add a line" }));
  await userEvent.click(await screen.findByRole("menuitem", { name: "Dust" }));
  expect(lastPut(sent).board.datums[1]).toMatchObject({ name: "Dust", kind: "ground", heightMm: 4 });
  const name = lines.getAllByLabelText("Name of the line")[0]!;
  await userEvent.clear(name);
  await userEvent.type(name, "High water{Tab}");
  expect(lastPut(sent).board.datums[0]).toMatchObject({ name: "High water" });
  await userEvent.click(lines.getAllByText("On all pieces")[0]!);
  await userEvent.click(lines.getAllByLabelText("Tower")[0]!);
  expect(lastPut(sent).board.datums[0]).toMatchObject({ pieceIds: ["w"] });
  await userEvent.click(lines.getByRole("button", { name: "Take High water away" }));
  expect(lastPut(sent).board.datums.map((d) => d.name)).toEqual(["Dust"]);
});

test("ends get classes, a piece its size here and its moving parts", async () => {
  const sent = open();
  await userEvent.click(await onBoard("Wall 1"));
  await userEvent.click(screen.getByText("Its size, ends and moving parts"));
  await userEvent.type(screen.getByLabelText("Class of its left side"), "A{Tab}");
  expect(lastPut(sent).board.classes).toEqual([{ pieceId: "w", side: "left", class: "A" }]);
  await userEvent.type(screen.getByLabelText("Left to right"), "160");
  expect(lastPut(sent).board.pieces).toMatchObject([{ pieceId: "w", lengthMm: 160, widthMm: null }]);
  await userEvent.click(screen.getByRole("button", { name: "Add a part that moves" }));
  expect(lastPut(sent).board.pieces[0]!.parts).toMatchObject([{ name: "Turret", moves: "turns" }]);
});

test("painted sides that do not go together any more are said", async () => {
  const tight = { ...view.answer.joins[0]!, gapMm: 0.05, gapLeftMm: -0.05 };
  host({ "/board": { ...view, answer: { ...view.answer, joins: [tight] } } });
  show();
  await userEvent.click(await onBoard("Wall 1"));
  expect(within(screen.getByTestId("joins")).getByRole("alert")).toHaveTextContent("they will not go together");
});

test("each copy has a card at true size, and one that is too large says how much smaller it is", async () => {
  const long = { ...pieces[0]!, id: "t", name: "Tower", lengthMm: 400 };
  const tower = { ...copyOf("c", "Tower", 0, [30, 30, 30]), pieceId: "t" };
  const under = { ...tower, id: "u", levels: [{ ...tower.levels[0]!, state: "under" as const }] };
  host({
    "/board": {
      ...view,
      pieces: [pieces[0]!, long],
      answer: { ...view.answer, copies: [...view.answer.copies, tower, under] },
    },
  });
  show();
  const cards = await screen.findAllByTestId("board-card");
  expect(cards).toHaveLength(4);
  expect(cards[0]!.querySelector("svg")!.style.width).toBe("152mm");
  expect(cards[1]).toHaveTextContent("10 mm at 0 mm8 mm at 75 mm6 mm at 150 mm");
  expect(cards[2]).toHaveTextContent("The front at 46 % of its size");
  expect(cards[3]).toHaveTextContent("all of it is under");
});
