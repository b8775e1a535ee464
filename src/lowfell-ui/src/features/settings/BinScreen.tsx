import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { changed } from "../../api/changes";
import { api, ask, Problem, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { BinItem } from "../../api/types";
import { date } from "../../api/units";
import { Button, Failed, notify } from "../../ui";

const kindWord: Record<BinItem["kind"], string> = {
  set: "set",
  piece: "piece",
  zone: "zone",
  material: "paint",
  mix: "mix",
  tile: "test tile",
  painted: "painted zone",
  box: "box of bases",
  family: "family of bases",
  reference: "reference picture",
};

function putBack({ kind, id }: BinItem): Promise<unknown> {
  const at = { params: { path: { id } } };
  switch (kind) {
    case "set":
      return ask(api.POST("/api/sets/{id}/restore", at));
    case "piece":
      return ask(api.POST("/api/pieces/{id}/restore", at));
    case "zone":
      return ask(api.POST("/api/zones/{id}/restore", at));
    case "material":
      return ask(api.POST("/api/materials/{id}/restore", at));
    case "mix":
      return ask(api.POST("/api/mixes/{id}/restore", at));
    case "tile":
      return ask(api.POST("/api/tiles/{id}/restore", at));
    case "painted":
      return ask(api.POST("/api/painted/{id}/restore", at));
    case "box":
      return ask(api.POST("/api/element-boxes/{id}/restore", at));
    case "family":
      return ask(api.POST("/api/base-families/{id}/restore", at));
    case "reference":
      return ask(api.POST("/api/references/{id}/restore", at));
  }
}

/** What was deleted, and the way back. */
export function BinScreen() {
  const bin = useQuery(queries.bin());
  const [busy, setBusy] = useState<string>();
  if (bin.isError) return <Failed why={wording(bin.error)} onAgain={() => void bin.refetch()} />;
  if (!bin.data) return <p className="p-6 text-soft">Opening the bin…</p>;
  async function take(item: BinItem) {
    setBusy(item.id);
    try {
      await putBack(item);
      await changed("tree", "shelf", "mixes", "tiles", "painted", "families", "boxes", "references");
      notify(`${item.name} is back.`);
    } catch (error) {
      notify(
        error instanceof Problem && error.code === "taken"
          ? `Something else is called ${item.name} now: give that another name first, then put this back.`
          : wording(error),
      );
      await bin.refetch();
    }
    setBusy(undefined);
  }
  return (
    <div className="mx-auto w-full max-w-3xl p-3">
      <section aria-label="Bin" className="rounded-lg border border-line bg-panel">
        <h1 className="px-4 pt-3 text-lg font-semibold">Bin</h1>
        <p className="px-4 pb-3 text-sm text-soft">
          What was deleted waits here for 30 days. It comes back with everything in it, where it was.
        </p>
        {bin.data.length === 0 && <p className="border-t border-line p-4 text-sm">Nothing was deleted.</p>}
        <ul>
          {bin.data.map((item) => (
            <li key={item.id} className="flex flex-wrap items-center gap-x-3 border-t border-line px-4 py-2 text-sm">
              <span className="min-w-40 flex-1">
                <strong className="break-words">{item.name}</strong>{" "}
                <span className="text-soft">
                  {kindWord[item.kind]}
                  {item.within && `, ${item.within}`}
                </span>
              </span>
              <span className="text-soft">
                deleted {date(item.deletedAt, { dateStyle: "medium" })}, waits until{" "}
                {date(item.untilAt, { dateStyle: "medium" })}
              </span>
              <Button disabled={busy === item.id} onClick={() => void take(item)}>
                Put {item.name.length > 24 ? "it" : item.name} back
              </Button>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
