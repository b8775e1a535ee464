import { bounds } from "../../api/bounds";
import { today } from "../../api/units";
import { queries } from "../../api/queries";
import { changed } from "../../api/changes";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import { zoneOptions } from "../../craft/zoneOptions";
import { Button, Choice, Dialog, Field, TextInput } from "../../ui";

/** Keeps the stack of a zone as it was painted, with its materials and mixes as they are now. */
export function KeepDialog({ onClose, onKept }: { onClose: () => void; onKept: (id: string) => void }) {
  const zones = zoneOptions(useQuery(queries.zones()).data);
  const [zone, setZone] = useState("");
  const [name, setName] = useState("");
  const [paintedOn, setPaintedOn] = useState(today);
  const [note, setNote] = useState("");
  const [fault, setFault] = useState<string>();
  const chosen = zone || zones[0]?.value || "";
  async function keep() {
    try {
      const kept = await ask(api.POST("/api/painted", { body: { zoneId: chosen, name, paintedOn, note } }));
      await changed("painted");
      onKept(kept.id);
      onClose();
    } catch (error) {
      setFault(wording(error));
    }
  }
  return (
    <Dialog open title="Keep a painted zone" onClose={onClose}>
      <div className="flex flex-col gap-3">
        <Field label="Zone">
          {(id) => <Choice id={id} label="Zone" value={chosen} options={zones} onChange={setZone} />}
        </Field>
        <Field label="Name" hint="such as: sea wall, first box">
          {(id) => (
            <TextInput id={id} {...bounds.PaintedDraft.name} value={name} onChange={(e) => setName(e.target.value)} />
          )}
        </Field>
        <Field label="Finished on">
          {(id) => <TextInput id={id} type="date" value={paintedOn} onChange={(e) => setPaintedOn(e.target.value)} />}
        </Field>
        <Field label="Note">
          {(id) => (
            <TextInput id={id} {...bounds.PaintedDraft.note} value={note} onChange={(e) => setNote(e.target.value)} />
          )}
        </Field>
        {fault && (
          <p role="alert" className="text-sm font-semibold text-stop">
            {fault}
          </p>
        )}
        <Button
          look="main"
          className="self-start"
          disabled={!chosen || !name.trim() || !paintedOn}
          onClick={() => void keep()}
        >
          Keep it
        </Button>
      </div>
    </Dialog>
  );
}
