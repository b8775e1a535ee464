import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { useCallback, useMemo, useRef, useState } from "react";
import { wording, queryClient } from "../../api/client";
import type { Coat, Finding, Material, Mend, Mix, Schools, ZonePage } from "../../api/types";
import { notify } from "../../ui";
import { CoatEditor } from "./CoatEditor";
import { BesideDialog } from "./BesideDialog";
import { ConflictDialog } from "./ConflictDialog";
import { CoreSample } from "./CoreSample";
import { FindingsList } from "./FindingsList";
import { paintNames } from "./names";
import { PieceFindings } from "./PieceFindings";
import { LookAfter } from "./LookAfter";
import { MendAllDialog } from "./MendAllDialog";
import { usePieceJudgement } from "./usePieceJudgement";
import { StackHeader } from "./StackHeader";
import { useChosen } from "../../craft/useChosen";
import { coatOf } from "../../craft/coatOf";
import { barrierMaterial, duplicate, insertAt, move, remove, withKnown } from "./stackEdits";
import { useStackEditor } from "./useStackEditor";
import { useStackKeys } from "./useStackKeys";
import { Verdict } from "./Verdict";

interface Props {
  page: ZonePage;
  materials: Material[];
  mixes: Mix[];
  schools: Schools;
}

type Knowable = Pick<Finding, "rule" | "coatId" | "mark"> & { aspect?: string };

/** The stack being worked on: the core sample, the coat that is selected, and what the rules find. */
export function StackWork({ page, materials, mixes, schools }: Props) {
  const editor = useStackEditor(page.scheme);
  const { coats, edit } = editor;
  const preview = useQuery(queries.preview(page.zone, coats, schools));
  const judgement = usePieceJudgement(page, coats, schools);
  const names = useMemo(() => paintNames(materials, mixes), [materials, mixes]);
  const [wanted, setWanted] = useChosen("coat");
  const selected = coats.find((c) => c.id === wanted) ?? coats.at(-1);
  const index = selected ? coats.indexOf(selected) : -1;
  const findings = useMemo(
    () => (preview.data?.findings ?? []).filter((f) => coats.some((c) => c.id === f.coatId)),
    [preview.data, coats],
  );
  // What is found over the piece is marked on its coat too.
  const marked = useMemo(
    () => [
      ...findings.filter((f) => f.rests == null),
      ...(judgement.data?.findings ?? [])
        .filter((f) => f.zoneId === page.id && f.rests == null)
        .map((f) => ({ ...f, gap: coats.findIndex((c) => c.id === f.coatId) }))
        .filter((f) => f.gap >= 0),
    ],
    [findings, judgement.data, coats, page.id],
  );
  const [mendingAll, setMendingAll] = useState(false);
  const [beside, setBeside] = useState(false);
  const [focus, setFocus] = useState<Finding | null>(null);
  const shown =
    findings.find((f) => focus && f.rule === focus.rule && f.aspect === focus.aspect && f.coatId === focus.coatId) ??
    null;

  const actions = useMemo(
    () => ({
      select: (i: number) => coats[i] && setWanted(coats[i].id),
      insert: (barrier: boolean) => {
        const varnish = barrierMaterial(materials);
        const paint =
          materials.find((m) => m.id === selected?.materialId && m.material.family === "acrylicPaint") ??
          materials.find((m) => m.material.family === "acrylicPaint") ??
          materials[0];
        const coat = barrier ? coatOf("varnish", varnish) : coatOf("baseCoat", paint);
        if (!coat.materialId)
          return notify(barrier ? "There is no varnish on the shelf." : "There is no paint on the shelf yet.");
        edit(insertAt(coats, index + 1, coat));
        setWanted(coat.id);
      },
      duplicate: () => {
        if (!selected) return;
        const next = duplicate(coats, selected.id);
        edit(next.coats);
        setWanted(next.id);
      },
      remove: () => {
        if (!selected) return;
        const neighbour = coats[index + 1] ?? coats[index - 1];
        edit(remove(coats, selected.id));
        setWanted(neighbour?.id ?? null);
      },
      skip: () => selected && edit(coats.map((c) => (c.id === selected.id ? { ...c, skipped: !c.skipped } : c))),
      shift: (by: number) => edit(move(coats, index, index + by)),
      drag: (from: number, to: number) => edit(move(coats, from, to)),
    }),
    [coats, edit, index, materials, selected],
  );

  const present = useRef(coats);
  present.current = coats;
  const take = useCallback(
    (next: Coat[], said: string) => {
      edit(next);
      const added = next.find((c) => !coats.some((old) => old.id === c.id));
      if (added) setWanted(added.id);
      // The message may outlast the step: it takes back that one or none.
      notify(said, () =>
        present.current === next ? editor.undo() : notify("The stack has changed since; z takes the last step back."),
      );
    },
    [coats, edit, editor.undo],
  );
  const mend = useCallback((_: Finding, chosen: Mend) => take(chosen.coats, `Mended: ${chosen.label}`), [take]);
  const mends = useQuery(queries.mends(page.zone, coats, schools, shown && shown.rests == null ? shown : null));

  const mendFirst = useCallback(async () => {
    const speaking = findings.filter((f) => f.rests == null);
    const finding = shown ?? speaking.find((f) => f.coatId === selected?.id) ?? speaking[0];
    try {
      const first =
        finding && (await queryClient.fetchQuery(queries.mends(page.zone, coats, schools, finding))).mends[0];
      if (first) mend(finding, first);
      else notify("There is nothing to mend.");
    } catch (error) {
      notify(wording(error));
    }
  }, [coats, findings, mend, page.zone, schools, selected, shown]);

  const know = (known: Knowable[], reason: string | null) =>
    edit(known.reduce((all, f) => withKnown(all, { aspect: "", ...f }, reason), coats));

  useStackKeys({
    ...actions,
    index,
    count: coats.length,
    undo: editor.undo,
    redo: editor.redo,
    keep: () => {
      editor.keepNow();
      notify("Kept.");
    },
    mend: () => void mendFirst(),
    mendAll: () => setMendingAll(true),
  });
  const showFinding = (finding: Finding | null, coatId = finding?.coatId) => {
    setFocus(finding);
    if (coatId) setWanted(coatId);
  };

  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <StackHeader page={page} editor={editor} onBeside={() => setBeside(true)} />
      <div className="grid w-full flex-1 grid-cols-1 gap-3 lg:h-[calc(100vh-9.6rem)] lg:flex-none lg:grid-cols-[minmax(23rem,1.25fr)_minmax(20rem,1fr)_16.5rem] lg:grid-rows-[auto_minmax(0,1fr)] 2xl:grid-cols-[minmax(23rem,1fr)_24rem_20rem]">
        <section aria-label="Look" className="rounded-lg border border-line bg-panel lg:col-span-2 lg:col-start-2">
          <Verdict page={page} preview={preview.data} findings={findings} empty={coats.length === 0} />
        </section>
        <section
          aria-label="Core sample"
          className="flex min-h-0 flex-col rounded-lg border border-line bg-panel lg:col-start-1 lg:row-span-2 lg:row-start-1"
        >
          {!preview.isPending && (
            <CoreSample
              coats={coats}
              names={names}
              preview={preview.data}
              findings={marked}
              selected={selected?.id}
              shown={shown}
              substrate={page.piece.substrate}
              actions={actions}
              onFinding={(f) => showFinding(findings.find((own) => own === f) ?? null, f.coatId)}
            />
          )}
        </section>
        <section aria-label="Coat" className="relative min-h-0 overflow-y-auto rounded-lg border border-line bg-panel">
          {selected && preview.isPending ? (
            <p className="p-5 text-soft">Mixing…</p>
          ) : selected ? (
            <CoatEditor
              key={selected.id}
              page={page}
              schools={schools}
              coats={coats}
              coat={selected}
              index={index}
              stratum={preview.data?.strata.find((s) => s.coatId === selected.id)}
              cautionNote={preview.data?.cautionNote ?? ""}
              materials={materials}
              mixes={mixes}
              editor={editor}
            />
          ) : (
            <p className="p-5 text-soft">
              Nothing is on this zone yet. Press <kbd>n</kbd> for the first coat, or <kbd>b</kbd> for a barrier.
            </p>
          )}
        </section>
        <FindingsList
          findings={findings}
          shown={shown}
          pending={preview.isPending}
          failed={preview.isError ? wording(preview.error) : null}
          coats={coats}
          onShow={(f) => showFinding(f)}
          mends={mends.data?.mends}
          mendsFailed={mends.isError ? wording(mends.error) : null}
          onMend={mend}
          onMendAll={() => setMendingAll(true)}
          onKnow={(f, reason) => know([f], reason)}
          look={
            preview.data && (
              <LookAfter
                stratum={preview.data.strata.find((s) => s.coatId === selected?.id) ?? preview.data.substrate}
                place={selected ? `After coat ${index + 1}` : "Bare"}
                targets={[page.zone.targetRecess, page.zone.target, page.zone.targetEdge]}
              />
            )
          }
        >
          <PieceFindings
            page={page}
            judgement={preview.data && judgement.data}
            onShow={(f) => setWanted(f.coatId)}
            onKnow={know}
          />
        </FindingsList>
      </div>
      {beside && (
        <BesideDialog
          page={page}
          coats={coats}
          onClose={() => setBeside(false)}
          onTake={(other) => {
            setBeside(false);
            take(other, "Took the other coats.");
          }}
        />
      )}
      {mendingAll && (
        <MendAllDialog
          page={page}
          coats={coats}
          schools={schools}
          names={names}
          onClose={() => setMendingAll(false)}
          onTake={(mended) => {
            setMendingAll(false);
            take(mended.coats, "Mended all.");
          }}
        />
      )}
      {editor.save.kind === "conflict" && (
        <ConflictDialog theirs={editor.save.theirs} mine={coats} names={names} onSettle={editor.settle} />
      )}
    </div>
  );
}
