import { bounds } from "../../api/bounds";
import { queries } from "../../api/queries";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { MixRecord } from "../../api/types";
import { number } from "../../api/words";
import { Button, Choice, Dialog, Field, NumberInput, TextInput } from "../../ui";

interface Props {
  record: MixRecord;
  onClose: () => void;
  onUsed: () => void;
}

/** Which copies got some of a made mix. */
export function UseDialog({ record, onClose, onUsed }: Props) {
  const zones = useQuery(queries.zones());
  const [pieceId, setPieceId] = useState("none");
  const [copies, setCopies] = useState<number[]>([]);
  const [ml, setMl] = useState(Math.min(1, record.leftMl));
  const [note, setNote] = useState("");
  const [fault, setFault] = useState<string>();
  const pieces = [...new Map((zones.data ?? []).map((z) => [z.pieceId, z])).values()];
  const piece = pieces.find((p) => p.pieceId === pieceId);
  async function use() {
    try {
      await ask(
        api.POST("/api/mix-records/{id}/uses", {
          params: { path: { id: record.id } },
          body: { ml, pieceId: piece?.pieceId, copies, note },
        }),
      );
      onUsed();
    } catch (error) {
      setFault(wording(error));
    }
  }
  return (
    <Dialog open title={`Use ${record.name}`} onClose={onClose}>
      <div className="flex flex-col gap-3 text-sm">
        <Field label="On">
          {(id) => (
            <Choice
              id={id}
              label="Piece"
              value={pieceId}
              options={[
                { value: "none", label: "nothing: poured away" },
                ...pieces.map((p) => ({ value: p.pieceId, label: p.piece, group: p.set })),
              ]}
              onChange={(v) => {
                setPieceId(v);
                setCopies([]);
              }}
            />
          )}
        </Field>
        {piece && (
          <fieldset>
            <legend className="mb-1 text-xs font-semibold text-soft">Copies</legend>
            <div className="flex max-h-40 flex-wrap gap-1 overflow-y-auto">
              {Array.from({ length: piece.copies }, (_, i) => i + 1).map((n) => (
                <button
                  key={n}
                  type="button"
                  aria-pressed={copies.includes(n)}
                  onClick={() =>
                    setCopies(copies.includes(n) ? copies.filter((c) => c !== n) : [...copies, n].sort((a, b) => a - b))
                  }
                  className="min-h-8 min-w-9 rounded border border-strong px-2 aria-pressed:border-accent aria-pressed:bg-accent aria-pressed:text-on-accent"
                >
                  {n}
                </button>
              ))}
            </div>
          </fieldset>
        )}
        <Field label={`How much of the ${number(record.leftMl, 2)} ml`}>
          {(id) => (
            <NumberInput
              id={id}
              className="w-32"
              value={ml}
              bound={{ ...bounds.MixUse.ml, max: record.leftMl }}
              unit="ml"
              onChange={setMl}
            />
          )}
        </Field>
        <Field label="Note">
          {(id) => <TextInput id={id} {...bounds.MixUse.note} value={note} onChange={(e) => setNote(e.target.value)} />}
        </Field>
        {fault && (
          <p role="alert" className="font-semibold text-stop">
            {fault}
          </p>
        )}
        <Button look="main" className="self-start" onClick={() => void use()}>
          Note the use
        </Button>
      </div>
    </Dialog>
  );
}
