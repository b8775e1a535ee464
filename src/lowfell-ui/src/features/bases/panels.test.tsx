import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactElement } from "react";
import { MemoryRouter } from "react-router";
import { describe, expect, it, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { Tray } from "../../api/types";
import { host } from "../../test/host";
import { baseOf, noTakes, slate, trayOf } from "../../test/tray";
import { BasePanel } from "./BasePanel";
import { CrackleHelp } from "./CrackleHelp";
import { StepsDialog } from "./StepsDialog";
import { StockPanel } from "./StockPanel";
import { Takes, TrayPanel } from "./TrayPanel";
import { TrayTable } from "./TrayTable";
import type { TrayHands } from "./useTray";

const hands = () =>
  ({
    busy: false,
    rolling: undefined,
    canUndo: false,
    keep: vi.fn(async () => true),
    change: vi.fn(async () => true),
    element: vi.fn(async () => true),
    undo: vi.fn(async () => {}),
    rollAnew: vi.fn(async () => {}),
    endRoll: vi.fn(async () => {}),
  }) satisfies TrayHands;

const show = (what: ReactElement) =>
  render(
    <MemoryRouter>
      <QueryClientProvider client={queryClient}>{what}</QueryClientProvider>
    </MemoryRouter>,
  );

const pair = (judged: Tray["differences"][number]["judged"], distance: number) => ({
  a: 1,
  b: 2,
  distance,
  asTheyStand: distance + 0.2,
  judged,
  beside: true,
});

describe("the tray from above", () => {
  it("shows every base by its number, with how much neighbours differ between them", async () => {
    const onChoose = vi.fn();
    const onPair = vi.fn();
    const tray = trayOf([baseOf(1), baseOf(2)], { differences: [pair("nearCopy", 0.08)] });
    show(<TrayTable tray={tray} pxPerMm={3} chosen={2} onChoose={onChoose} onPair={onPair} />);
    expect(screen.getByRole("button", { name: "Base 2, 25 mm round" })).toHaveAttribute("aria-pressed", "true");
    await userEvent.click(screen.getByRole("button", { name: "Base 1, 25 mm round" }));
    expect(onChoose).toHaveBeenCalledWith(1);
    await userEvent.click(screen.getByRole("button", { name: "Bases 1 and 2: difference 0.08, near copies" }));
    expect(onPair).toHaveBeenCalledWith(1, 2);
  });

  it("names the mark of each layout in the address of its picture, so that another layout is another picture", () => {
    const tray = trayOf([baseOf(1)]);
    const { container, rerender } = show(
      <TrayTable tray={tray} pxPerMm={4} chosen={undefined} onChoose={vi.fn()} onPair={vi.fn()} />,
    );
    const before = container.querySelector("img")!.src;
    expect(before).toContain("mark=mark1");
    const moved = trayOf([baseOf(1, { picture: "other" })]);
    rerender(
      <MemoryRouter>
        <QueryClientProvider client={queryClient}>
          <TrayTable tray={moved} pxPerMm={4} chosen={undefined} onChoose={vi.fn()} onPair={vi.fn()} />
        </QueryClientProvider>
      </MemoryRouter>,
    );
    expect(container.querySelector("img")!.src).not.toBe(before);
  });

  it("marks what is locked, what is glued down, and what breaks a rule, not by colour alone", () => {
    const faulty = baseOf(3, { elements: [{ ...baseOf(3).elements[0]!, fault: "It would stand on a landing." }] });
    const locked = baseOf(1);
    show(
      <TrayTable
        tray={trayOf([{ ...locked, kept: { ...locked.kept, locked: true } }, baseOf(2, { laid: true }), faulty])}
        pxPerMm={3}
        chosen={undefined}
        onChoose={vi.fn()}
        onPair={vi.fn()}
      />,
    );
    expect(screen.getByLabelText("locked")).toBeInTheDocument();
    expect(screen.getByLabelText("glued down")).toBeInTheDocument();
    expect(screen.getByText("! 1")).toBeInTheDocument();
  });
});

describe("the tray as a whole", () => {
  it("offers to make two that are alike less alike, in one press", async () => {
    const by = hands();
    const tray = trayOf([baseOf(1), baseOf(2)], { differences: [pair("alike", 0.2)], leastDifference: 0.2 });
    show(<TrayPanel tray={tray} hands={by} pair={undefined} onPair={vi.fn()} onChoose={vi.fn()} />);
    expect(screen.getByText(/1 and 2 are alike \(0.20\)/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Less alike" }));
    expect(by.rollAnew).toHaveBeenCalledWith({ copies: [2], awayFrom: 1, rolls: 24 });
  });

  it("leaves pairs that differ alone unless one is pointed at", () => {
    const tray = trayOf([baseOf(1), baseOf(2)], { differences: [pair("different", 0.5)] });
    const { rerender } = show(
      <TrayPanel tray={tray} hands={hands()} pair={undefined} onPair={vi.fn()} onChoose={vi.fn()} />,
    );
    expect(screen.queryByRole("button", { name: "Less alike" })).toBeNull();
    rerender(
      <MemoryRouter>
        <QueryClientProvider client={queryClient}>
          <TrayPanel tray={tray} hands={hands()} pair={[1, 2]} onPair={vi.fn()} onChoose={vi.fn()} />
        </QueryClientProvider>
      </MemoryRouter>,
    );
    expect(screen.getByText(/1 and 2 differ/)).toBeInTheDocument();
  });

  it("says what comes next where nothing lies on it yet", () => {
    const bare = baseOf(1, { elements: [] });
    show(<TrayPanel tray={trayOf([bare])} hands={hands()} pair={undefined} onPair={vi.fn()} onChoose={vi.fn()} />);
    expect(screen.getByText(/Roll the tray; then lock what you like/)).toBeInTheDocument();
    expect(screen.queryByRole("meter")).toBeNull();
  });

  it("leads to a base that reads as a ring", async () => {
    const onChoose = vi.fn();
    const ring = baseOf(2, { marks: ["5 of a kind (stone) stand in a ring"] });
    show(
      <TrayPanel
        tray={trayOf([baseOf(1), ring])}
        hands={hands()}
        pair={undefined}
        onPair={vi.fn()}
        onChoose={onChoose}
      />,
    );
    await userEvent.click(screen.getByRole("button", { name: /Base 2: 5 of a kind/ }));
    expect(onChoose).toHaveBeenCalledWith(2);
  });

  it("tells only what is taken", () => {
    render(<Takes takes={{ ...noTakes, pasteMl: 16.4, superGlueDrops: 70 }} />);
    const list = screen.getByTestId("takes");
    expect(list).toHaveTextContent("Paste16.4 ml");
    expect(list).toHaveTextContent("Super glue70 drops");
    expect(list).not.toHaveTextContent("Crackle");
  });
});

describe("the boxes", () => {
  it("tell used and left, what is short, and what stands in", () => {
    const tray = trayOf([baseOf(1)], {
      boxes: [
        { boxId: "a", name: "slate M", kind: "slate", count: 22, used: 6, short: 0 },
        { boxId: "b", name: "stone S", kind: "stone", count: 2, used: 5, short: 3 },
        { boxId: "c", name: "empty and unused", kind: "bark", count: 0, used: 0, short: 0 },
      ],
      lacking: ["Short of stone S: cork S instead, 3 times."],
    });
    render(<StockPanel tray={tray} onEdit={vi.fn()} />);
    expect(screen.getByText("6 of 22")).toBeInTheDocument();
    expect(screen.getByText("3 short")).toBeInTheDocument();
    expect(screen.queryByText("empty and unused")).toBeNull();
    expect(screen.getByTestId("lacking")).toHaveTextContent("cork S instead");
  });

  it("have a next move where there are none", async () => {
    const onEdit = vi.fn();
    render(<StockPanel tray={trayOf([baseOf(1)], { boxes: [] })} onEdit={onEdit} />);
    expect(screen.getByText(/Nothing is in them/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Change" }));
    expect(onEdit).toHaveBeenCalled();
  });
});

describe("one base", () => {
  const open = (part: Parameters<typeof baseOf>[1] = {}, by = hands()) => {
    host({
      "/element-boxes": [
        {
          id: "box-slate",
          version: 1,
          box: { name: "slate M", kind: "slate", lengthMm: 10, widthMm: 6, heightMm: 3, spread: 0.1, count: 22 },
        },
      ],
    });
    const base = baseOf(1, part);
    show(<BasePanel tray={trayOf([base, baseOf(2)])} base={base} hands={by} onChoose={vi.fn()} onClose={vi.fn()} />);
    return by;
  };

  it("is rolled and locked", async () => {
    const by = open();
    await userEvent.click(screen.getByRole("button", { name: "Roll" }));
    expect(by.rollAnew).toHaveBeenCalledWith({ copies: [1] });
    await userEvent.click(screen.getByRole("button", { name: "Lock" }));
    const change = by.change.mock.calls[0] as unknown as [number, (k: object) => object];
    expect(change[0]).toBe(1);
    expect(change[1]({ locked: false })).toEqual({ locked: true });
  });

  it("is gone through by keys: n chooses, [ turns, l locks, x takes off", async () => {
    const by = open();
    screen.getByRole("application").focus();
    await userEvent.keyboard("n");
    expect(screen.getByText("slate M")).toBeInTheDocument();
    // A bracket in braces would be a key's name.
    await userEvent.keyboard("[[");
    expect(by.element).toHaveBeenCalledWith(1, 0, { angleDeg: 35 });
    await userEvent.keyboard("l");
    expect(by.element).toHaveBeenCalledWith(1, 0, { locked: true });
    await userEvent.keyboard("x");
    const change = by.change.mock.calls[0] as unknown as [
      number,
      (k: { elements: object[] }) => { elements: object[] },
    ];
    expect(change[1]({ elements: [slate, { ...slate, seed: 8 }] }).elements).toEqual([{ ...slate, seed: 8 }]);
  });

  it("stays as it is once something on it is glued down", async () => {
    const by = open({ laid: true });
    expect(screen.getByText(/Glued down, says the log/)).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Roll" })).toBeDisabled();
    screen.getByRole("application").focus();
    await userEvent.keyboard("nlx");
    expect(by.element).not.toHaveBeenCalled();
    expect(by.change).not.toHaveBeenCalled();
  });

  it("tells faults, notes and how far it leans", () => {
    open({
      marks: ["three alike (stone) stand in a row"],
      notes: ["No room for slate L: it would stand on a landing."],
      steady: {
        tipsAtDeg: 17,
        weightG: 36,
        fitsG: 10,
        withWeightDeg: 27,
        wantedDeg: 25,
        verdict: "25 degrees needs 36 g; 10 g fit.",
      },
    });
    expect(screen.getByText("three alike (stone) stand in a row")).toBeInTheDocument();
    expect(screen.getByText(/No room for slate L/)).toBeInTheDocument();
    expect(screen.getByText(/36 g; 10 g fit/)).toBeInTheDocument();
  });

  it("shows heights when they are asked for", async () => {
    open();
    const stage = screen.getByRole("application");
    expect(within(stage).queryByText("4.2")).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Heights" }));
    expect(within(stage).getByText("4.2")).toBeInTheDocument();
  });
});

describe("texture as coats", () => {
  const steps = {
    zoneId: "zone",
    zone: "Crust",
    scheme: "Salt crust",
    schemeVersion: 4,
    steps: [
      {
        technique: "texture",
        about: "Skim and drift.",
        isNote: false,
        filmMm: 1.1,
        inStack: true,
        stackFilmMm: 0.8,
        material: "Mud",
      },
      { technique: "gritInGlue", about: "Grit.", isNote: false, filmMm: 0, inStack: true, material: "Shingle" },
      { technique: "dripGlue", about: "Thinned glue.", isNote: true, filmMm: 0, inStack: false, material: "Wood Glue" },
      { technique: "cracklePaste", about: "Crackle.", isNote: false, filmMm: 0.8, inStack: false, material: "" },
      { technique: "tufts", about: "Tufts last.", isNote: false, filmMm: 0, inStack: false, material: "Kelp Tufts" },
    ],
  };

  it("puts what is open and no note, on the version that was looked at", async () => {
    const sent = host({ "/steps": steps });
    show(<StepsDialog tray={trayOf([baseOf(1)])} onClose={vi.fn()} />);
    await screen.findByText("Crust");
    expect(screen.getByText(/The stack has it 0.8 mm thick/)).toBeInTheDocument();
    expect(screen.getByText("nothing on the shelf for it")).toBeInTheDocument();
    expect(screen.getByRole("checkbox", { name: /Put Crackle paste/ })).toBeDisabled();
    await userEvent.click(screen.getByRole("button", { name: "Put them into the stack" }));
    await waitFor(() => expect(sent.filter((s) => s.method === "POST")).toHaveLength(1));
    expect(sent.find((s) => s.method === "POST")!.body).toEqual({
      zoneId: "zone",
      schemeVersion: 4,
      techniques: ["texture", "tufts"],
    });
  });

  it("takes a note along where it is ticked", async () => {
    const sent = host({ "/steps": steps });
    show(<StepsDialog tray={trayOf([baseOf(1)])} onClose={vi.fn()} />);
    await userEvent.click(await screen.findByRole("checkbox", { name: /Put Drip glue/ }));
    await userEvent.click(screen.getByRole("button", { name: "Put them into the stack" }));
    await waitFor(() =>
      expect((sent.find((s) => s.method === "POST")?.body as { techniques?: string[] })?.techniques).toContain(
        "dripGlue",
      ),
    );
  });

  it("says what is missing where the piece has no zone", async () => {
    host({ "/steps": { ...steps, zoneId: null, zone: "", scheme: "", schemeVersion: 0 } });
    show(<StepsDialog tray={trayOf([baseOf(1)])} onClose={vi.fn()} />);
    expect(await screen.findByText(/The piece has no zone yet/)).toBeInTheDocument();
  });
});

describe("help with crackle", () => {
  it("offers the thickness that gives the cracks that are wanted", async () => {
    const sent = host({
      "/preview/crackle": {
        mm: 2,
        spacingMm: 8,
        widthMm: 0.64,
        seenFromM: 2.1,
        dryMin: 2500,
        verdict: "Right: plates.",
      },
    });
    const onTake = vi.fn();
    show(<CrackleHelp mm={0.8} tile={null} onTile={vi.fn()} onTake={onTake} />);
    expect(await screen.findByText(/2 mm laid: Right: plates/)).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: /^Lay/ })).toBeNull();
    await userEvent.type(screen.getByLabelText("Cracks wanted"), "0.64");
    await userEvent.click(await screen.findByRole("button", { name: "Lay 2 mm" }));
    expect(onTake).toHaveBeenCalledWith(2);
    expect(sent.at(-1)!.body).toMatchObject({ ground: "primed", widthMm: 0.64 });
  });

  it("goes by a tile of the painter's own, and says what cannot be of one", async () => {
    const refusal = Response.json(
      { title: "Wrong.", errors: { "tile.thickMm": ["The thicker field is 0.7 mm: too thin."] }, code: "outOfBounds" },
      { status: 400 },
    );
    const sent = host({ "/preview/crackle": refusal });
    const onTile = vi.fn();
    const tile = { thinMm: 0.6, thinCells: 10, thickMm: 0.7, thickCells: 5, crackMm: 0.6 };
    show(<CrackleHelp mm={0.8} tile={tile} onTile={onTile} onTake={vi.fn()} />);
    expect(await screen.findByText(/The thicker field is 0.7 mm/)).toBeInTheDocument();
    expect(sent.at(-1)!.body).toMatchObject({ tile });
    const thick = screen.getByLabelText("Thick field");
    await userEvent.clear(thick);
    await userEvent.type(thick, "1.2");
    expect(onTile).toHaveBeenLastCalledWith({ ...tile, thickMm: 1.2 });
    await userEvent.click(screen.getByLabelText("By a tile of my own paste, dry"));
    expect(onTile).toHaveBeenLastCalledWith(null);
  });

  it("begins a tile with what usual paste would show", async () => {
    const tile = { thinMm: 0.7, thinCells: 7.1, thickMm: 1.5, thickCells: 3.3, crackMm: 0.48 };
    host({
      "/preview/crackle": { mm: 0.8, spacingMm: 3, widthMm: 0.2, seenFromM: 1, dryMin: 60, verdict: "Right.", tile },
    });
    const onTile = vi.fn();
    show(<CrackleHelp mm={0.8} tile={null} onTile={onTile} onTake={vi.fn()} />);
    await screen.findByText(/Right\./);
    await userEvent.click(screen.getByLabelText("By a tile of my own paste, dry"));
    expect(onTile).toHaveBeenCalledWith(tile);
  });
});
