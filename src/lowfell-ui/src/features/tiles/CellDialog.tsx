import { bounds } from "../../api/bounds";
import { changed } from "../../api/changes";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, ask, wording } from "../../api/client";
import type { ZoneName, Tile, TileDraft, TilePreview } from "../../api/types";
import { restoreCoats } from "../../craft/restoreCoats";
import { zoneOptions } from "../../craft/zoneOptions";
import { Button, Chip, Choice, ColourInput, Dialog, Field, isColour, notify, TextInput, Toggle } from "../../ui";

interface Props {
  tile?: Tile;
  dirty: boolean;
  draft: TileDraft;
  cell: TilePreview["cells"][number];
  zones: ZoneName[];
  onPainted: (painted: TileDraft["painted"]) => void;
  onClose: () => void;
}

/** A cell: what came out on the real scrap, and the way into a stack. */
export function CellDialog({ tile, dirty, draft, cell, zones: all, onPainted, onClose }: Props) {
  const here = (p: TileDraft["painted"][number]) => p.row === cell.row && p.column === cell.column;
  const before = draft.painted.find(here);
  const [face, setFace] = useState(before?.face ?? cell.face);
  const [note, setNote] = useState(before?.note ?? "");
  const zones = zoneOptions(all);
  const [zone, setZone] = useState(zones[0]?.value ?? "");
  const [instead, setInstead] = useState(true);
  const [fault, setFault] = useState<string>();
  const navigate = useNavigate();
  async function adopt() {
    try {
      const page = await ask(api.GET("/api/zones/{id}", { params: { path: { id: zone } } }));
      const body = { row: cell.row, column: cell.column, zoneId: zone, instead, schemeVersion: page.scheme.version };
      await ask(api.POST("/api/tiles/{id}/adopt", { params: { path: { id: tile!.id } }, body }));
      await changed("stack");
      notify("The cell’s coats are in the stack.", () => void restoreCoats(zone, page.scheme.coats));
      void navigate(`/zone/${zone}`);
    } catch (error) {
      setFault(wording(error));
    }
  }
  return (
    <Dialog open title={`Cell ${cell.row + 1}${String.fromCharCode(65 + cell.column)}`} onClose={onClose}>
      <div className="flex flex-col gap-4 text-sm">
        <p className="flex items-center gap-3">
          <Chip colour={[cell.recess, cell.face, cell.edge]} className="h-10 w-28" /> predicted recess, face, edge
        </p>
        <fieldset className="flex flex-col gap-2 rounded border border-line p-3">
          <legend className="px-1 font-semibold">How it came out</legend>
          <Field label="Its face on the real scrap">
            {(id) => <ColourInput id={id} label="the face" value={face} onChange={setFace} />}
          </Field>
          <Field label="Note">
            {(id) => (
              <TextInput id={id} {...bounds.PaintedCell.note} value={note} onChange={(e) => setNote(e.target.value)} />
            )}
          </Field>
          <span className="flex gap-2">
            <Button
              disabled={!isColour(face)}
              onClick={() =>
                onPainted([
                  ...draft.painted.filter((p) => !here(p)),
                  { row: cell.row, column: cell.column, face, note },
                ])
              }
            >
              Note it
            </Button>
            {before && (
              <Button onClick={() => onPainted(draft.painted.filter((p) => !here(p)))}>Take the note back</Button>
            )}
          </span>
        </fieldset>
        <fieldset className="flex flex-col gap-2 rounded border border-line p-3">
          <legend className="px-1 font-semibold">Into a stack</legend>
          {!tile || dirty ? (
            <p className="text-soft">Keep the tile first.</p>
          ) : zones.length === 0 ? (
            <p className="text-soft">There is no zone yet. Make one under Sets.</p>
          ) : (
            <>
              <Choice label="Zone" value={zone} options={zones} onChange={setZone} />
              <Toggle label="In place of the coats that are there" checked={instead} onChange={setInstead} />
              <Button look="main" className="self-start" onClick={() => void adopt()}>
                Adopt the cell
              </Button>
            </>
          )}
          {fault && (
            <p role="alert" className="font-semibold text-stop">
              {fault}
            </p>
          )}
        </fieldset>
      </div>
    </Dialog>
  );
}
