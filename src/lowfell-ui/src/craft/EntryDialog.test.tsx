import { QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, test, vi } from "vitest";
import { queryClient } from "../api/client";
import { EntryDialog } from "./EntryDialog";

const open = (kind: "problem" | "note" | "otherwise", onWrite = vi.fn(), onClose = vi.fn()) => {
  render(
    <QueryClientProvider client={queryClient}>
      <EntryDialog kind={kind} title="Wash" planned={0.5} onClose={onClose} onWrite={onWrite} />
    </QueryClientProvider>,
  );
  return { onWrite, onClose };
};

beforeEach(() => {
  vi.stubGlobal(
    "fetch",
    vi.fn(async () => new Response("[]", { headers: { "content-type": "application/json" } })),
  );
});

test("a problem goes with its cause, its remedy and who met it, who is remembered", async () => {
  const { onWrite, onClose } = open("problem");
  expect(screen.getByRole("button", { name: "Write it down" })).toBeDisabled();
  await userEvent.type(screen.getByLabelText("What went wrong?"), "A tide mark");
  await userEvent.type(screen.getByLabelText("Why?"), "too wet");
  await userEvent.type(screen.getByLabelText("What mended it?"), "a glaze");
  await userEvent.type(screen.getByLabelText("Who"), "Wren");
  await userEvent.click(screen.getByRole("button", { name: "Write it down" }));
  expect(onWrite).toHaveBeenCalledWith(
    expect.objectContaining({ note: "A tide mark", cause: "too wet", remedy: "a glaze", who: "Wren" }),
    [],
  );
  expect(onClose).toHaveBeenCalled();
  expect(localStorage.getItem("lowfell.who")).toBe("Wren");
});

test("what was done otherwise is a dilution or words", async () => {
  const { onWrite } = open("otherwise");
  const share = screen.getByLabelText("Paint in it, % (planned 50)");
  await userEvent.type(share, "40");
  await userEvent.tab();
  await userEvent.click(screen.getByRole("button", { name: "Write it down" }));
  expect(onWrite).toHaveBeenCalledWith(expect.objectContaining({ paintFraction: 0.4 }), []);
});

test("a picture that is refused keeps the words", async () => {
  vi.stubGlobal(
    "fetch",
    vi.fn(async () => new Response(JSON.stringify({ errors: { photo: ["This is no picture."] } }), { status: 400 })),
  );
  const { onWrite, onClose } = open("note");
  await userEvent.type(screen.getByLabelText("What is to be remembered?"), "lamp on the left");
  await userEvent.upload(
    screen.getByLabelText("Picture"),
    new File([new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0])], "x.png", { type: "image/png" }),
  );
  await userEvent.click(screen.getByRole("button", { name: "Write it down" }));
  expect(await screen.findByRole("alert")).toHaveTextContent("This is no picture.");
  expect(screen.getByLabelText("What is to be remembered?")).toHaveValue("lamp on the left");
  expect(onWrite).not.toHaveBeenCalled();
  expect(onClose).not.toHaveBeenCalled();
});

test("where a picture waits with its action, what is none is told at once and one goes along", async () => {
  const onWrite = vi.fn();
  render(
    <QueryClientProvider client={queryClient}>
      <EntryDialog kind="note" title="Wash" pictureWaits onClose={() => {}} onWrite={onWrite} />
    </QueryClientProvider>,
  );
  const picture = new File([new Uint8Array([0xff, 0xd8, 0xff, 0])], "x.jpg", { type: "image/jpeg" });
  for (const file of [new File(["words"], "x.jpg", { type: "image/jpeg" }), picture]) {
    await userEvent.upload(screen.getByLabelText("Picture"), file);
    await userEvent.click(screen.getByRole("button", { name: "Write it down" }));
    if (file !== picture) expect(await screen.findByRole("alert")).toHaveTextContent("Send a PNG or a JPEG");
  }
  expect(onWrite).toHaveBeenCalledOnce();
  expect(onWrite.mock.calls[0]![0].photoId).toMatch(/^[0-9a-f-]{36}$/);
  expect(onWrite.mock.calls[0]![2]).toBe(picture);
});

test("usual faults are ticked, and it is said of any copy, done or not", async () => {
  const onWrite = vi.fn();
  render(
    <QueryClientProvider client={queryClient}>
      <EntryDialog
        kind="problem"
        title="Wash"
        faults={["Tide mark.", "Pooled."]}
        copies={[1, 2, 3]}
        chosen={[3]}
        onClose={() => {}}
        onWrite={onWrite}
      />
    </QueryClientProvider>,
  );
  await userEvent.click(screen.getByRole("button", { name: "Tide mark" }));
  await userEvent.click(screen.getByRole("button", { name: "Pooled" }));
  await userEvent.click(screen.getByRole("button", { name: "Tide mark" }));
  await userEvent.click(screen.getByRole("button", { name: "1" }));
  await userEvent.click(screen.getByRole("button", { name: "3" }));
  await userEvent.click(screen.getByRole("button", { name: "Write it down" }));
  expect(onWrite).toHaveBeenCalledWith(expect.objectContaining({ note: "Pooled." }), [1]);
});
