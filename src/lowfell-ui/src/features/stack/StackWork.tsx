import { useCallback, useMemo, useState } from "react";
import { wording } from "../../api/client";
import type { Finding, Material, Mix, Schools, ZonePage } from "../../api/types";
import { notify } from "../../ui";
import { CoatEditor } from "./CoatEditor";
import { ConflictDialog } from "./ConflictDialog";
import { CoreSample } from "./CoreSample";
import { FindingsList } from "./FindingsList";
import { paintNames } from "./names";
import { mendStack, usePreview } from "./queries";
import { StackHeader } from "./StackHeader";
import { barrierMaterial, coatOf, duplicate, insertAt, move, remove } from "./stackEdits";
import { useStackEditor } from "./useStackEditor";
import { useStackKeys } from "./useStackKeys";
import { Verdict } from "./Verdict";

interface Props {
  page: ZonePage;
  materials: Material[];
  mixes: Mix[];
  schools: Schools;
}

/** The stack being worked on: the core sample, the coat that is selected, and what the rules find. */
export function StackWork({ page, materials, mixes, schools }: Props) {
  const editor = useStackEditor(page.scheme);
  const { coats, edit } = editor;
  const preview = usePreview(page.zone, coats, schools);
  const names = useMemo(() => paintNames(materials, mixes), [materials, mixes]);
  const [wanted, setWanted] = useState<string | null>(null);
  const selected = coats.find((c) => c.id === wanted) ?? coats.at(-1);
  const index = selected ? coats.indexOf(selected) : -1;
  const findings = useMemo(
    () => (preview.data?.findings ?? []).filter((f) => coats.some((c) => c.id === f.coatId)),
    [preview.data, coats],
  );
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
        const coat = barrier ? coatOf("varnish", varnish) : coatOf("baseCoat", paint, 0.75);
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

  const mend = useCallback(
    async (finding: Finding, mendId: string) => {
      try {
        const answer = await mendStack(page.zone, coats, schools, finding.rule, finding.coatId, mendId);
        edit(answer.coats);
        const added = answer.coats.find((c) => !coats.some((old) => old.id === c.id));
        if (added) setWanted(added.id);
        notify(`Mended: ${finding.mends.find((m) => m.id === mendId)?.label ?? mendId}`, editor.undo);
      } catch (error) {
        notify(wording(error));
      }
    },
    [coats, edit, editor.undo, page.zone, schools],
  );

  const mendFirst = useCallback(() => {
    const finding =
      shown ??
      findings.find((f) => f.coatId === selected?.id && f.mends.length > 0) ??
      findings.find((f) => f.mends.length > 0);
    if (finding?.mends[0]) void mend(finding, finding.mends[0].id);
    else notify("There is nothing to mend.");
  }, [findings, mend, selected, shown]);

  useStackKeys({
    ...actions,
    index,
    count: coats.length,
    undo: editor.undo,
    redo: editor.redo,
    mend: mendFirst,
  });
  const showFinding = (finding: Finding) => {
    setFocus(finding);
    setWanted(finding.coatId);
  };

  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <StackHeader page={page} editor={editor} />
      <div className="mx-auto grid w-full max-w-[1500px] flex-1 grid-cols-1 gap-3 p-3 lg:h-[calc(100vh-5.9rem)] lg:flex-none lg:grid-cols-[minmax(0,1fr)_22rem_18.5rem]">
        <section aria-label="Core sample" className="flex min-h-0 flex-col rounded-lg border border-line bg-panel">
          <Verdict page={page} preview={preview.data} findings={findings} empty={coats.length === 0} />
          {!preview.isPending && (
            <CoreSample
              coats={coats}
              names={names}
              preview={preview.data}
              findings={findings}
              selected={selected?.id}
              shown={shown}
              substrate={page.piece.substrate}
              actions={actions}
              onFinding={showFinding}
            />
          )}
        </section>
        <section aria-label="Coat" className="min-h-0 overflow-y-auto rounded-lg border border-line bg-panel">
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
          failed={preview.isError ? wording(preview.error) : null}
          coats={coats}
          onShow={showFinding}
          onMend={(f, m) => void mend(f, m)}
        />
      </div>
      {editor.save.kind === "conflict" && (
        <ConflictDialog theirs={editor.save.theirs} mine={coats} names={names} onSettle={editor.settle} />
      )}
    </div>
  );
}
