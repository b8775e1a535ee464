import { useQuery } from "@tanstack/react-query";
import { FileUp } from "lucide-react";
import { useRef, useState } from "react";
import { changed } from "../../api/changes";
import { api, ask, sendFile, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { GroundSetting, ReadyScheme, ZonePage } from "../../api/types";
import { thingKindWord } from "../../api/words";
import { LookPair } from "../../craft/LookPair";
import { restoreCoats } from "../../craft/restoreCoats";
import { ThreeHeights } from "../../craft/ThreeHeights";
import { Button, Dialog, notify, Tabs, TextInput } from "../../ui";
import { GroundTones } from "./GroundTones";

/** A scheme that somebody else kept as a file. */
const takeFile = (file: File) => sendFile("/api/ready/file", file, "application/lowfell-scheme+json");

type View = "schemes" | "ground";

/** Ready schemes for a zone, filled from the shelf; one's own kept, given away and taken. */
export function ReadyDialog({ page, onClose }: { page: ZonePage; onClose: () => void }) {
  const ready = useQuery(queries.ready());
  const [view, setView] = useState<View>("schemes");
  const [chosen, setChosen] = useState<string>();
  const [name, setName] = useState(page.scheme.name);
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const looked = useQuery(queries.readyOn(page.id, chosen));
  const others = page.scheme.uses.length - 1;
  async function run(work: () => Promise<void>) {
    setBusy(true);
    try {
      await work();
      setFault(undefined);
    } catch (error) {
      setFault(wording(error));
    }
    setBusy(false);
  }
  const take = () =>
    run(async () => {
      const before = page.scheme.coats;
      const taken = await ask(
        api.POST("/api/zones/{id}/ready", {
          params: { path: { id: page.id } },
          body: { scheme: chosen!, version: page.scheme.version, dryRun: false },
        }),
      );
      await changed("stack", ...(taken.toBuy.length > 0 ? (["shelf", "bottles"] as const) : []));
      const bought = taken.toBuy.length > 0 ? ` To buy: ${taken.toBuy.join(", ")}.` : "";
      notify(`${page.settings.name} is planned as ${chosen}.${bought}`, () => void restoreCoats(page.id, before));
      onClose();
    });
  const lay = (setting: GroundSetting, word: string) =>
    run(async () => {
      const before = page.scheme.coats;
      await ask(
        api.POST("/api/zones/{id}/ground", {
          params: { path: { id: page.id } },
          body: { setting, version: page.scheme.version, dryRun: false },
        }),
      );
      await changed("stack");
      notify(`${page.settings.name} is planned as ${word}.`, () => void restoreCoats(page.id, before));
      onClose();
    });
  const keep = () =>
    run(async () => {
      await ask(api.POST("/api/ready", { body: { zoneId: page.id, name } }));
      await changed("readySchemes");
      notify(`${name} is kept as a ready scheme.`);
    });
  const remove = (scheme: ReadyScheme) =>
    run(async () => {
      const kept = await (await fetch(`/api/ready/${scheme.id}/scheme.json`)).blob();
      await ask(api.DELETE("/api/ready/{id}", { params: { path: { id: scheme.id! } } }));
      await changed("readySchemes");
      notify(
        `Deleted ${scheme.name}.`,
        () => void takeFile(new File([kept], "scheme.json")).then(() => changed("readySchemes")),
      );
    });
  const suits = (r: ReadyScheme) => r.id != null || r.suits.some((s) => thingKindWord[s] === page.piece.kind);
  const shown = [...(ready.data ?? [])].sort((a, b) => Number(suits(b)) - Number(suits(a)));
  return (
    <Dialog
      open
      wide
      title="Ready schemes"
      description="Told by what each coat is there for, and filled from your shelf for this zone."
      onClose={onClose}
    >
      {fault && (
        <p role="alert" className="mb-2 text-sm font-semibold text-stop">
          {fault}
        </p>
      )}
      <Tabs<View>
        label="Ready schemes"
        value={view}
        onChange={setView}
        tabs={[
          {
            value: "schemes",
            label: "Schemes",
            content: (
              <div className="pt-3">
                <ul
                  className="grid max-h-64 grid-cols-2 gap-2 overflow-y-auto sm:grid-cols-4"
                  data-testid="ready-schemes"
                >
                  {shown.map((r) => (
                    <li key={r.id ?? r.name}>
                      <button
                        type="button"
                        aria-pressed={chosen === r.name}
                        title={r.about}
                        onClick={() => setChosen(r.name)}
                        className={`flex w-full flex-col gap-1 rounded border p-1.5 text-left text-sm hover:border-accent ${chosen === r.name ? "border-accent bg-tint" : "border-line"}`}
                      >
                        <ThreeHeights of={r.look} className="h-8 w-full" />
                        <span className="truncate">{r.name}</span>
                      </button>
                    </li>
                  ))}
                </ul>
                {looked.data && chosen && (
                  <section aria-label={chosen} className="mt-3 grid gap-3 sm:grid-cols-2">
                    <div>
                      <LookPair written={looked.data.zone.written} look={looked.data.zone.look} />
                      <p className="mt-1 text-xs text-soft">
                        above as it is written, below on this zone from your shelf
                      </p>
                      <p className="text-sm">{looked.data.zone.words}</p>
                    </div>
                    <ol className="text-sm">
                      {looked.data.zone.roles.map((r, i) => (
                        <li key={i}>
                          <span className="text-soft">{r.role}: </span>
                          {r.coat || "left out"}
                          {r.said && <span className="block text-xs text-soft">{r.said}</span>}
                        </li>
                      ))}
                    </ol>
                  </section>
                )}
                <div className="mt-3 flex flex-wrap items-center justify-end gap-2">
                  {(() => {
                    const own = shown.find((r) => r.name === chosen && r.id != null);
                    return (
                      own && (
                        <span className="mr-auto flex gap-1">
                          <Button
                            look="quiet"
                            onClick={() => window.location.assign(`/api/ready/${own.id}/scheme.json`)}
                          >
                            Save as a file
                          </Button>
                          <Button look="quiet" onClick={() => void remove(own)}>
                            Delete
                          </Button>
                        </span>
                      )
                    );
                  })()}
                  {others > 0 && (
                    <span className="text-xs text-soft">
                      It changes {others} other {others === 1 ? "zone" : "zones"} of this scheme too.
                    </span>
                  )}
                  <Button look="main" disabled={busy || !chosen || looked.isFetching} onClick={() => void take()}>
                    {page.scheme.coats.length > 0 ? "Take it in place of these coats" : "Take it"}
                  </Button>
                </div>
                <div className="mt-4 flex flex-wrap items-end gap-2 border-t border-line pt-3">
                  {page.scheme.coats.length > 0 && (
                    <>
                      <TextInput
                        aria-label="Name of the scheme to keep"
                        value={name}
                        onChange={(e) => setName(e.target.value)}
                        className="max-w-60"
                      />
                      <Button disabled={busy || name.trim() === ""} onClick={() => void keep()}>
                        Keep these coats as a ready scheme
                      </Button>
                    </>
                  )}
                  <input
                    ref={file}
                    type="file"
                    accept=".json,application/json"
                    aria-label="File of a scheme"
                    className="sr-only"
                    tabIndex={-1}
                    onChange={(e) => {
                      const given = e.target.files?.[0];
                      if (given)
                        void run(async () => {
                          await takeFile(given);
                          await changed("readySchemes");
                        });
                      e.target.value = "";
                    }}
                  />
                  <Button look="quiet" className="ml-auto" onClick={() => file.current?.click()}>
                    <FileUp size={15} aria-hidden /> Take one from a file
                  </Button>
                </div>
              </div>
            ),
          },
          {
            value: "ground",
            label: "Ground of a setting",
            content: <GroundTones page={page} busy={busy} onTake={(setting, word) => void lay(setting, word)} />,
          },
        ]}
      />
    </Dialog>
  );
}
