import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { ReactElement } from "react";
import { MemoryRouter } from "react-router";
import { describe, expect, it, vi } from "vitest";
import { queryClient } from "../../api/client";
import type { BaseFamily, PiecePage } from "../../api/types";
import { host } from "../../test/host";
import { baseOf, trayOf } from "../../test/tray";
import { BeginTray } from "./BeginTray";
import { DustUp } from "./DustUp";
import { Grounds } from "./Grounds";
import { KitDialog } from "./KitDialog";
import { Rim } from "./Rim";

const show = (what: ReactElement) =>
  render(
    <MemoryRouter>
      <QueryClientProvider client={queryClient}>{what}</QueryClientProvider>
    </MemoryRouter>,
  );

const family: BaseFamily = {
  name: "Salt crust",
  clusters: [{ name: "stones", group: 1, fromMm: 0, toMm: 500, weight: 1, elements: [{ kind: "stone", lengthMm: 4 }] }],
  shares: [0.14, 0.16, 0.3, 0.28, 0.12],
  skimMm: 0.7,
  riseMm: 2.2,
  crackleMm: 0.8,
  calm: 0.6,
  rimMm: 0,
  grass: 0.5,
  leastTufts: 3,
  livelyFront: false,
  bareLandings: false,
  ground: "#6b563f",
  crust: "#c8bca6",
  crack: "#463a30",
  light: "#cebe9e",
  tufts: "#766f3c",
};
const families = [
  { id: "family", version: 3, family },
  { id: "sand", version: 1, family: { ...family, name: "Wet sand" } },
];
const box = {
  id: "box",
  version: 2,
  box: { name: "slate M", kind: "slate", lengthMm: 10, widthMm: 6, heightMm: 3, spread: 0.1, count: 22 },
};
const crackle = { mm: 0.8, spacingMm: 3.2, widthMm: 0.26, seenFromM: 0.9, dryMin: 480, verdict: "Right." };
const refused = (field: string, said: string) =>
  Response.json({ title: "That can't be taken.", errors: { [field]: [said] }, code: "outOfBounds" }, { status: 400 });

const page = (part: Partial<PiecePage["piece"]["piece"]> = {}): PiecePage =>
  ({
    setId: "set",
    setName: "Plinths",
    scale: 56,
    piece: { id: "piece", piece: { name: "Plinth", copies: 5, shape: "disc", lengthMm: 32, widthMm: 32, ...part } },
    pieces: [],
    done: 0,
    steps: 0,
    hasTray: false,
  }) as unknown as PiecePage;

describe("a tray is begun", () => {
  it("with the bases that the piece is, and others beside them", async () => {
    const sent = host({ "/base-families": families, "/element-boxes": [box], "POST /tray": {} });
    show(<BeginTray page={page()} />);
    expect(await screen.findByLabelText("Length of size 1")).toHaveValue("32");
    await userEvent.click(screen.getByRole("button", { name: "Another size" }));
    const length = screen.getByLabelText("Length of size 2");
    await userEvent.clear(length);
    await userEvent.type(length, "40");
    await userEvent.click(screen.getByRole("button", { name: "Begin a tray of 6" }));
    await waitFor(() => expect(sent.some((s) => s.method === "POST")).toBe(true));
    const groups = sent.find((s) => s.method === "POST")!.body!.groups as {
      copies: number;
      form: { lengthMm: number; widthMm: number };
    }[];
    expect(groups.map((g) => [g.copies, g.form.lengthMm, g.form.widthMm])).toEqual([
      [5, 32, 32],
      [1, 40, 40],
    ]);
  });

  it("of a family to begin with where the bench has none, and says that only ground will be laid", async () => {
    const sent = host({
      "/base-families/starters": [family],
      "POST /base-families": { id: "new", version: 1, family },
      "/base-families": [],
      "/element-boxes": [],
    });
    show(<BeginTray page={page()} />);
    expect(await screen.findByText(/only the ground will be laid/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Begin a tray of 5" }));
    await waitFor(() => expect(sent.find((s) => s.path.endsWith("/tray"))?.body?.familyId).toBe("new"));
  });

  it("keeps what was typed where the host refuses it, and says why", async () => {
    host({
      "/base-families": families,
      "/element-boxes": [box],
      "POST /tray": () => refused("groups", "Too many bases."),
    });
    show(<BeginTray page={page({ shape: "free" })} />);
    await userEvent.click(await screen.findByRole("button", { name: "Begin a tray of 5" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("Too many bases.");
    expect(screen.getByLabelText("Length of size 1")).toHaveValue("25");
  });
});

describe("boxes and families", () => {
  it("keep a count on the version it was read with, and put another box on the shelf", async () => {
    const sent = host({ "/element-boxes": [box], "/base-families": families, "/element-boxes/box": box });
    show(<KitDialog onClose={vi.fn()} />);
    const count = await screen.findByLabelText("Count of slate M");
    await userEvent.clear(count);
    await userEvent.type(count, "9");
    await waitFor(() =>
      expect(sent.find((s) => s.method === "PUT")?.body).toMatchObject({
        version: 2,
        box: { count: 9, name: "slate M" },
      }),
    );
    expect(screen.getByRole("button", { name: "Add" })).toBeDisabled();
    await userEvent.type(screen.getByLabelText("Name of the new box"), "Reed");
    await userEvent.click(screen.getByRole("button", { name: "Add" }));
    await waitFor(() =>
      expect(sent.find((s) => s.method === "POST")?.body).toMatchObject({ name: "Reed", kind: "stone" }),
    );
  });

  it("offer the usual boxes on an empty shelf", async () => {
    const sent = host({ "/element-boxes": [] });
    show(<KitDialog onClose={vi.fn()} />);
    await userEvent.click(await screen.findByRole("button", { name: "Put the usual boxes there" }));
    await waitFor(() => expect(sent.some((s) => s.path.endsWith("/element-boxes/starters"))).toBe(true));
  });

  it("keep a family's rules as they were typed, and tell what shares come to", async () => {
    const sent = host({
      "/base-families": families,
      "/preview/crackle": crackle,
      "PUT /base-families/family": families[0],
    });
    show(<KitDialog onClose={vi.fn()} />);
    await userEvent.click(screen.getByRole("button", { name: "Families" }));
    expect(await screen.findByText("together 100 %")).toBeInTheDocument();
    const keep = screen.getByRole("button", { name: "Keep" });
    expect(keep).toBeDisabled();
    const skim = screen.getByLabelText("bare skim");
    await userEvent.clear(skim);
    await userEvent.type(skim, "22");
    expect(screen.getByText("together 110 %")).toHaveClass("text-risk");
    const rise = screen.getByLabelText("Rise to the rear");
    await userEvent.clear(rise);
    await userEvent.type(rise, "3");
    await userEvent.click(keep);
    await waitFor(() => expect(sent.find((s) => s.method === "PUT")).toBeDefined());
    const kept = sent.find((s) => s.method === "PUT")!.body as { version: number; family: BaseFamily };
    expect(kept.version).toBe(3);
    expect(kept.family.riseMm).toBe(3);
    expect(kept.family.shares[4]).toBeCloseTo(0.22);
    expect(kept.family.clusters).toEqual(family.clusters);
  });

  it("say why a family can't be kept, and leave what was typed", async () => {
    host({
      "/base-families": families,
      "/preview/crackle": crackle,
      "PUT /base-families/family": () => refused("family.shares", "They have to make 100 %."),
    });
    show(<KitDialog onClose={vi.fn()} />);
    await userEvent.click(screen.getByRole("button", { name: "Families" }));
    const name = await screen.findByLabelText("Its name");
    await userEvent.type(name, " of ours");
    await userEvent.click(screen.getByRole("button", { name: "Keep" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("They have to make 100 %.");
    expect(name).toHaveValue("Salt crust of ours");
  });
});

describe("grounds", () => {
  const mixes = [
    { partsA: 4, partsB: 1, colour: "#8f7c5a", copies: [1, 3], ml: 0.5 },
    { partsA: 1, partsB: 4, colour: "#b59a6b", copies: [2], ml: 0.4 },
  ];

  it("tell their proportions, the bases that have them and how much is mixed", () => {
    host({ "/materials": [] });
    const tray = trayOf([baseOf(1), baseOf(2), baseOf(3)], {
      grounds: { aId: "a", bId: "b", mixes, fault: "They read as two grounds." },
    });
    show(<Grounds tray={tray} />);
    expect(screen.getByTestId("grounds")).toHaveTextContent("4 : 1, bases 1, 30.5 ml");
    expect(screen.getByText("They read as two grounds.")).toBeInTheDocument();
  });

  it("are one everywhere until they are asked for", async () => {
    host({ "/materials": [] });
    show(<Grounds tray={trayOf([baseOf(1)])} />);
    expect(screen.getByText("One ground everywhere")).toBeInTheDocument();
    expect(screen.queryByLabelText("One brown")).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Grounds" }));
    expect(screen.getByLabelText("One brown")).toBeInTheDocument();
  });
});

describe("dust", () => {
  it("is put nowhere before zone and colours are chosen", () => {
    const sent = host({});
    show(<DustUp />);
    expect(screen.getByRole("button", { name: "Put the dust there" })).toBeDisabled();
    expect(sent.some((s) => s.path.endsWith("/base-dust"))).toBe(false);
  });
});

describe("rims", () => {
  const paints = [
    { id: "dark", material: { name: "Pier Grey" } },
    { id: "bone", material: { name: "Bone" } },
  ];
  const rim = { zoneId: null, zone: "", areaMm2: 251, paintId: "dark", numberId: "bone", numberMm: 2.8 };

  it("are painted as the school has it, with numbers where it wants them", async () => {
    const sent = host({ "POST /rim": rim, "/rim": { ...rim, school: "teamColour" }, "/materials": paints });
    show(<Rim tray={trayOf([baseOf(1)])} />);
    expect(await screen.findByText(/Numbers 2.8 mm high fit/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Make it a zone" }));
    await waitFor(() =>
      expect(sent.find((s) => s.method === "POST")?.body).toEqual({ paintId: "dark", numberId: "bone" }),
    );
  });

  it("go without numbers in one dark for all, and lead to their zone once they have one", async () => {
    const sent = host({
      "POST /rim": rim,
      "/rim": { ...rim, school: "neutralDark", numberId: null },
      "/materials": paints,
    });
    const { unmount } = show(<Rim tray={trayOf([baseOf(1)])} />);
    await userEvent.click(await screen.findByRole("button", { name: "Make it a zone" }));
    await waitFor(() =>
      expect(sent.find((s) => s.method === "POST")?.body).toEqual({ paintId: "dark", numberId: null }),
    );
    unmount();
    queryClient.clear();
    host({ "/rim": { ...rim, school: "neutralDark", zoneId: "z7", zone: "Rim" }, "/materials": paints });
    show(<Rim tray={trayOf([baseOf(1)])} />);
    expect(await screen.findByRole("link", { name: "Rim" })).toHaveAttribute("href", "/piece/piece/coats/z7");
  });
});
