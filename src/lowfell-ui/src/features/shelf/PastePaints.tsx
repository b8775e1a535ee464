import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { PaintColumn } from "../../api/types";
import { PaintRows, PaintText, StarterTicks } from "../../craft/PaintText";
import { QuickPaint } from "../../craft/QuickPaint";
import { useDraft } from "../../craft/useDraft";
import { Button, Dialog, notify, Toggle } from "../../ui";

interface Typed {
  text: string;
  columns: PaintColumn[];
  starter: string[];
}

/** Many paints at once: pasted, dropped, or ticked on the starter shelf. */
export function PastePaints({ onClose }: { onClose: () => void }) {
  const [typed, setTyped, forget] = useDraft<Typed>("paste paints", { text: "", columns: [], starter: [] });
  const [leaveOut, setLeaveOut] = useState(false);
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const asked = useDeferredValue(typed);
  const read = useQuery(queries.pastedPaints(asked.text, asked.columns, asked.starter));
  const wrong = read.data?.rows.filter((r) => r.fault != null).length ?? 0;
  const added = read.data?.added ?? 0;
  async function take() {
    setBusy(true);
    try {
      const kept = await ask(api.POST("/api/shelf/paste", { body: { ...typed, leaveOut, dryRun: false } }));
      await changed("shelf", "bottles");
      forget();
      notify(`${kept.added} ${kept.added === 1 ? "paint is" : "paints are"} on the shelf.`);
      onClose();
    } catch (error) {
      setFault(wording(error));
      setBusy(false);
    }
  }
  return (
    <Dialog
      open
      wide
      title="Many paints at once"
      description="A name a line, or columns from a spreadsheet in any order. Family and colour are read from the name where no column tells them."
      onClose={onClose}
    >
      <div className="flex flex-col gap-3">
        <PaintText
          text={typed.text}
          columns={typed.columns}
          onChange={(text, columns) => {
            setFault(undefined);
            setTyped((t) => ({ ...t, text, columns }));
          }}
        />
        {(fault ?? (read.isError && typed.text.trim())) && (
          <p role="alert" className="text-sm font-semibold text-stop">
            {fault ?? wording(read.error)}
          </p>
        )}
        {read.data && !read.isError && (
          <PaintRows text={typed.text} read={read.data} onColumns={(columns) => setTyped((t) => ({ ...t, columns }))} />
        )}
        <details>
          <summary className="min-h-7 cursor-pointer text-sm font-semibold">Or one by one</summary>
          <QuickPaint onKept={() => undefined} onDone={onClose} />
        </details>
        <h3 className="text-sm font-semibold">Or tick them on a starter shelf</h3>
        <StarterTicks ticked={typed.starter} onChange={(starter) => setTyped((t) => ({ ...t, starter }))} />
        <div className="flex flex-wrap items-center justify-end gap-3">
          {wrong > 0 && (
            <span className="mr-auto">
              <Toggle
                label={`Leave out the ${wrong === 1 ? "row" : `${wrong} rows`} with faults`}
                checked={leaveOut}
                onChange={setLeaveOut}
              />
            </span>
          )}
          <Button onClick={onClose}>Cancel</Button>
          <Button
            look="main"
            disabled={busy || added === 0 || (wrong > 0 && !leaveOut) || read.isError || asked !== typed}
            onClick={() => void take()}
          >
            {added > 0 ? `Put ${added} on the shelf` : "Put them on the shelf"}
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
