import { useQuery } from "@tanstack/react-query";
import { ImagePlus } from "lucide-react";
import { useRef, useState } from "react";
import { useParams } from "react-router";
import { changed } from "../../api/changes";
import { api, ask, Problem, wording } from "../../api/client";
import { newId } from "../../api/newId";
import { queries } from "../../api/queries";
import type { PiecePage, Reference } from "../../api/types";
import { keepPhoto } from "../../craft/logAction";
import { Button, Failed, notify } from "../../ui";
import { PickPicture } from "./PickPicture";
import { PickRows } from "./PickRows";
import { PickWhat, type Picking } from "./PickWhat";
import { changeOf, nextHeight, type Spot, withoutPick, withPick, withPurpose } from "./referenceEdits";

/** A picture that the piece is to look like: colours are picked from it and become what its zones want. */
export function ReferenceScreen() {
  const { pieceId = "" } = useParams();
  const page = useQuery(queries.piece(pieceId));
  const pictures = useQuery(queries.references(page.data?.setId));
  if (pictures.isError) return <Failed why={wording(pictures.error)} onAgain={() => void pictures.refetch()} />;
  if (!page.data || !pictures.data) return <p className="p-6 text-soft">Opening the pictures…</p>;
  const own = pictures.data.filter((r) => !r.pieceId || r.pieceId === pieceId);
  return <Pictures key={pieceId} page={page.data} pictures={own} />;
}

function Pictures({ page, pictures }: { page: PiecePage; pictures: Reference[] }) {
  const [chosen, setChosen] = useState<string>();
  const [forSet, setForSet] = useState(false);
  const [busy, setBusy] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const zones = page.piece.zones.map((z) => ({ id: z.id, name: z.settings.name }));
  const [picking, setPicking] = useState<Picking>({ zoneId: zones[0]?.id ?? "", what: "face", greyIs: "#777777" });
  const of = pictures.find((p) => p.id === chosen) ?? pictures[0];
  async function run(work: () => Promise<unknown>) {
    setBusy(true);
    try {
      await work();
    } catch (error) {
      notify(error instanceof Problem ? wording(error) : error instanceof Error ? error.message : wording(error));
      await changed("references");
    }
    setBusy(false);
  }
  const pin = (given: File) =>
    run(async () => {
      const photoId = await keepPhoto(given);
      const pinned = await ask(
        api.POST("/api/sets/{id}/references", {
          params: { path: { id: page.setId } },
          body: {
            id: newId(),
            photoId,
            name: given.name.replace(/\.[^.]+$/, "").slice(0, 120) || "Picture",
            pieceId: forSet ? undefined : page.piece.id,
          },
        }),
      );
      await changed("references");
      setChosen(pinned.id);
    });
  const change = (body: ReturnType<typeof changeOf>) =>
    run(async () => {
      await ask(api.PUT("/api/references/{id}", { params: { path: { id: of!.id } }, body }));
      await changed("tree");
    });
  const pick = async (spot: Spot) => {
    if (!of) return;
    if (picking.what === "grey") {
      await change({ ...changeOf(of), grey: { ...spot, is: picking.greyIs } });
      setPicking({ ...picking, what: "face" });
      return;
    }
    await change(withPick(of, picking.zoneId, picking.what, spot));
    const after = { ...of, picks: [...of.picks, { zoneId: picking.zoneId, height: picking.what } as never] };
    setPicking({ ...picking, what: nextHeight(after, picking.zoneId) ?? picking.what });
  };
  const remove = () =>
    run(async () => {
      await ask(
        api.DELETE("/api/references/{id}", { params: { path: { id: of!.id }, query: { version: of!.version } } }),
      );
      const { id, name } = of!;
      notify(`${name} is taken off.`, () => void run(() => restore(id)));
      setChosen(undefined);
      await changed("references");
    });
  const zone = zones.find((z) => z.id === picking.zoneId);
  const what = picking.what === "grey" ? "a known grey" : `the ${picking.what} of ${zone?.name ?? "the zone"}`;
  return (
    <section aria-label="Pictures" className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="rounded-lg border border-line bg-panel p-3">
        {of ? (
          <PickPicture of={of} picking={what} busy={busy} onPick={(spot) => void pick(spot)} />
        ) : (
          <div className="flex flex-col items-center gap-3 py-16 text-center">
            <p className="font-semibold">What is {page.piece.piece.name} to look like?</p>
            <p className="max-w-96 text-sm text-soft">
              Pin a photograph or a drawing. Colours that you pick from it become what its zones want; a grey card in it
              takes the lamp out of them.
            </p>
            <Button look="main" disabled={busy} onClick={() => file.current?.click()}>
              <ImagePlus size={15} aria-hidden /> Pin a picture
            </Button>
          </div>
        )}
      </div>
      <div className="flex flex-col gap-3 rounded-lg border border-line bg-panel p-3">
        <input
          ref={file}
          type="file"
          accept="image/png,image/jpeg"
          aria-label="Picture to pin"
          className="sr-only"
          tabIndex={-1}
          onChange={(e) => {
            const given = e.target.files?.[0];
            if (given) void pin(given);
            e.target.value = "";
          }}
        />
        <PickWhat
          pictures={pictures}
          of={of}
          zones={zones}
          picking={picking}
          busy={busy}
          forSet={forSet}
          onPicking={setPicking}
          onChoose={setChosen}
          onForSet={setForSet}
          onPin={() => file.current?.click()}
          onWithoutGrey={() => void change({ ...changeOf(of!), grey: undefined })}
          onRemove={() => void remove()}
        />
        {of && (
          <PickRows
            of={of}
            busy={busy}
            onPurpose={(p, why) => void change(withPurpose(of, p, why))}
            onRemove={(p) => void change(withoutPick(of, p))}
          />
        )}
      </div>
    </section>
  );
}

const restore = async (id: string) => {
  await ask(api.POST("/api/references/{id}/restore", { params: { path: { id } } }));
  await changed("references");
};
