import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { bounds } from "../../api/bounds";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { PieceDraft, SetView } from "../../api/types";
import { choices, substrateWord } from "../../api/words";
import { useDraft } from "../../craft/useDraft";
import { Button, Choice, Dialog, Field, notify } from "../../ui";

/** Many pieces at once: pasted a line each, looked at before they are taken. */
export function PasteDialog({ set, onClose }: { set: SetView; onClose: () => void }) {
  const [text, setText, forget] = useDraft(`paste ${set.id}`, "");
  const [substrate, setSubstrate] = useState<PieceDraft["substrate"]>(set.pieces[0]?.piece.substrate ?? "polystyrene");
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const asked = useDeferredValue(text);
  const read = useQuery(queries.pasted(set.id, asked, substrate));
  const lines = (asked.trim() && read.data) || [];
  const wrong = lines.filter((l) => l.fault != null);
  async function take() {
    setBusy(true);
    try {
      await ask(
        api.POST("/api/sets/{setId}/pieces/paste", {
          params: { path: { setId: set.id } },
          body: { text, substrate, dryRun: false },
        }),
      );
      await changed("tree");
      forget();
      notify(`${lines.length} ${lines.length === 1 ? "piece is" : "pieces are"} in ${set.name}.`);
      onClose();
    } catch (error) {
      setFault(wording(error));
      setBusy(false);
    }
  }
  return (
    <Dialog open wide title="Paste pieces" onClose={onClose}>
      <div className="flex flex-col gap-3 text-sm">
        <Field
          label="A piece a line: name, copies, length x width x height, zones"
          hint="Such as: Straight, 8, 180 x 12 x 75, Stone courses + Walkway. All but the name may be left out; tabs from a spreadsheet will do."
        >
          {(id, described) => (
            <textarea
              id={id}
              aria-describedby={described}
              autoFocus
              rows={7}
              maxLength={bounds.PiecePaste.text.maxLength}
              className="w-full rounded border border-strong bg-raised p-2 font-mono text-sm"
              value={text}
              onChange={(e) => {
                setText(e.target.value);
                setFault(undefined);
              }}
            />
          )}
        </Field>
        <Field label="Made of" className="max-w-60">
          {(id) => (
            <Choice
              id={id}
              label="Made of"
              value={substrate}
              options={choices(substrateWord)}
              onChange={setSubstrate}
            />
          )}
        </Field>
        {(fault ?? (read.isError && asked.trim())) && (
          <p role="alert" className="font-semibold text-stop">
            {fault ?? wording(read.error)}
          </p>
        )}
        {!read.isError && lines.length > 0 && (
          <div className="max-h-60 overflow-y-auto rounded border border-line">
            <table className="w-full" data-testid="pasted">
              <thead className="text-left text-xs text-soft">
                <tr>
                  <th className="py-1 pl-2 font-semibold">Piece</th>
                  <th className="pr-2 text-right font-semibold">copies</th>
                  <th className="font-semibold">size</th>
                  <th className="font-semibold">zones</th>
                </tr>
              </thead>
              <tbody>
                {lines.map((l) => (
                  <tr key={l.line} className="border-t border-line align-top">
                    <td className="py-1 pl-2 font-semibold break-words">{l.name || `line ${l.line}`}</td>
                    {l.fault != null ? (
                      <td colSpan={3} className="py-1 text-stop">
                        {l.fault}
                      </td>
                    ) : (
                      <>
                        <td className="py-1 pr-2 text-right">{l.copies}</td>
                        <td className="py-1">{l.size || "as usual"}</td>
                        <td className="py-1">{l.zones.join(", ") || "none yet"}</td>
                      </>
                    )}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        <div className="flex items-center justify-end gap-2">
          {wrong.length > 0 && (
            <span className="mr-auto text-soft">
              {wrong.length} {wrong.length === 1 ? "line" : "lines"} to put right first
            </span>
          )}
          <Button onClick={onClose}>Cancel</Button>
          <Button
            look="main"
            disabled={busy || lines.length === 0 || wrong.length > 0 || read.isError || asked !== text}
            onClick={() => void take()}
          >
            {lines.length > 0 && wrong.length === 0 ? `Take ${lines.length}` : "Take them"}
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
