import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import type { ReactElement } from "react";
import { describe, expect, it } from "vitest";
import { queryClient } from "../../api/client";
import type { PlannedStep } from "../../api/types";
import { host } from "../../test/host";
import { WhatGoesWhere } from "./WhatGoesWhere";

const show = (what: ReactElement) => render(<QueryClientProvider client={queryClient}>{what}</QueryClientProvider>);

describe("at the bench", () => {
  const step = { zoneId: "zone", coatId: "coat", copies: [1, 2], technique: "texture" } as unknown as PlannedStep;

  it("what goes where is told for the coat that lays it, with the sheet at true size", async () => {
    const lines = [
      {
        no: 1,
        element: "slate M",
        x: 2.04,
        y: -5.5,
        angleDeg: 30.4,
        heightMm: 3,
        standsAtMm: 1,
        cluster: 1,
        locked: false,
        insteadOf: "slate L",
      },
    ];
    host({
      "/placement": [
        { copy: 1, word: "25 mm round", trayId: "tray", lines },
        { copy: 2, word: "25 mm round", trayId: "tray", lines: [] },
      ],
    });
    show(<WhatGoesWhere step={step} />);
    expect(await screen.findByText("What goes where on 1 of them")).toBeInTheDocument();
    expect(screen.getByRole("link", { name: "The sheet at true size" })).toHaveAttribute(
      "href",
      "/api/trays/tray/sheet.svg",
    );
    expect(screen.getByTestId("placement")).toHaveTextContent("1 slate M instead of slate L, 2 mm, -5.5 mm, 30°");
  });

  it("nothing is asked about a coat that lays nothing", async () => {
    const sent = host({});
    show(<WhatGoesWhere step={{ ...step, technique: "wash" }} />);
    await new Promise((go) => setTimeout(go, 30));
    expect(sent).toEqual([]);
    expect(screen.queryByTestId("placement")).toBeNull();
  });
});
