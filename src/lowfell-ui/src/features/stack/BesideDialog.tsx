import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { newId } from "../../api/newId";
import { queries } from "../../api/queries";
import type { Coat, ZonePage } from "../../api/types";
import { Compare } from "../../craft/Compare";
import { Button, Choice, Dialog, Field } from "../../ui";

interface Props {
  page: ZonePage;
  coats: Coat[];
  onTake: (coats: Coat[]) => void;
  onClose: () => void;
}

/** Another stack laid beside this one; the better is taken. */
export function BesideDialog({ page, coats, onTake, onClose }: Props) {
  const schemes = useQuery(queries.schemes());
  const others = (schemes.data ?? []).filter((s) => s.id !== page.scheme.id && s.coats > 0);
  const [chosen, setChosen] = useState<string>();
  const id = chosen ?? others[0]?.id ?? "";
  const other = useQuery(queries.scheme(id));
  return (
    <Dialog open wide title={`${page.settings.name}, beside another stack`} onClose={onClose}>
      {schemes.data && others.length === 0 && (
        <p className="text-sm text-soft">
          There is no other scheme with coats yet. What these coats were is under History.
        </p>
      )}
      {others.length > 0 && (
        <div className="flex flex-col gap-3">
          <Field label="Beside" className="max-w-72">
            {(at) => (
              <Choice
                id={at}
                label="Beside"
                value={id}
                options={others.map((s) => ({ value: s.id, label: s.name }))}
                onChange={setChosen}
              />
            )}
          </Field>
          {other.data && (
            <>
              <Compare
                zone={page}
                left={{ label: "These coats", coats }}
                right={{ label: other.data.name, coats: other.data.coats }}
              />
              <div className="flex justify-end gap-2">
                <Button onClick={onClose}>Stay with these</Button>
                <Button
                  look="main"
                  onClick={() => onTake(other.data.coats.map((c) => ({ ...c, id: newId(), known: [] })))}
                >
                  Take the coats of {other.data.name}
                </Button>
              </div>
            </>
          )}
        </div>
      )}
    </Dialog>
  );
}
