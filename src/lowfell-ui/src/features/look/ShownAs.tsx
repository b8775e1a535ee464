import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { PieceLook } from "../../api/types";
import { choices, standInKindWord } from "../../api/words";
import { Choice, Field } from "../../ui";

/** What the piece is shown as until it has a surface of its own, and which part shows which zone. */
export function ShownAs({ look }: { look: PieceLook }) {
  const kinds = useQuery(queries.shownAs());
  const [fault, setFault] = useState<string>();
  async function choose(kind: PieceLook["kind"], zoneIds?: string[]) {
    setFault(undefined);
    try {
      await ask(
        api.PUT("/api/pieces/{id}/look", {
          params: { path: { id: look.pieceId } },
          body: { version: look.version, kind, zoneIds },
        }),
      );
    } catch (error) {
      setFault(wording(error));
    }
    await changed("look");
  }
  const zones = look.zones.map((z) => ({ value: z.id, label: z.name }));
  const hidden = look.zones.filter((z) => !z.shown);
  return (
    <section aria-label="Shown as" className="flex flex-col gap-2 rounded-lg border border-line bg-panel p-3">
      <Field label="Shown as">
        {(id) => (
          <Choice
            id={id}
            label="Shown as"
            value={look.kind}
            options={choices(standInKindWord)}
            onChange={(kind) => void choose(kind)}
          />
        )}
      </Field>
      {kinds.data && zones.length > 0 && (
        <details>
          <summary className="cursor-pointer py-1">Which part is which zone</summary>
          <div className="mt-1 flex flex-col gap-2">
            {look.parts.map((part, i) => (
              <Field key={part.name} label={part.name}>
                {(id) => (
                  <Choice
                    id={id}
                    label={part.name}
                    value={part.zoneId ?? ""}
                    options={zones}
                    onChange={(zoneId) =>
                      void choose(
                        look.kind,
                        look.parts.map((p, k) => (k === i ? zoneId : (p.zoneId ?? zones[0]!.value))),
                      )
                    }
                  />
                )}
              </Field>
            ))}
          </div>
        </details>
      )}
      {zones.length === 0 && <p className="text-soft">No zone yet: it is shown bare. Draw one up at its side.</p>}
      {hidden.length > 0 && (
        <p className="text-soft">
          Not shown: {hidden.map((z) => z.name).join(", ")}. Give {hidden.length === 1 ? "it" : "them"} a part.
        </p>
      )}
      {fault && (
        <p role="alert" className="font-semibold text-stop">
          {fault}
        </p>
      )}
    </section>
  );
}
