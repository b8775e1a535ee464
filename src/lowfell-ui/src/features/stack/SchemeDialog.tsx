import { changed } from "../../api/changes";
import { useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { ZonePage } from "../../api/types";
import { Button, Dialog, Field, notify, TextInput } from "../../ui";

/** The scheme's name, the zones that a change touches, and a way to part from them. */
export function SchemeDialog({ open, page, onClose }: { open: boolean; page: ZonePage; onClose: () => void }) {
  const [name, setName] = useState(page.scheme.name);
  const [fault, setFault] = useState<string>();
  async function run(call: () => Promise<unknown>, done: string) {
    try {
      await call();
      await changed("tree");
      notify(done);
      onClose();
    } catch (error) {
      setFault(wording(error));
    }
  }
  const rename = () =>
    run(
      () =>
        ask(
          api.PUT("/api/schemes/{id}/name", {
            params: { path: { id: page.scheme.id } },
            body: { name, version: page.scheme.version },
          }),
        ),
      "Scheme renamed.",
    );
  const part = () =>
    run(
      () =>
        ask(
          api.POST("/api/schemes/{id}/copy", {
            params: { path: { id: page.scheme.id } },
            body: {
              name: `${page.piece.name}: ${page.settings.name}`.slice(0, 120),
              zoneId: page.id,
            },
          }),
        ),
      "This zone has a scheme of its own now.",
    );
  return (
    <Dialog
      open={open}
      title="Scheme"
      description="A stack that several zones share. Changing it changes them all."
      onClose={onClose}
    >
      <form
        className="mb-4 flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void rename();
        }}
      >
        <Field label="Name" error={fault} className="flex-1">
          {(id) => <TextInput id={id} value={name} onChange={(e) => setName(e.target.value)} />}
        </Field>
        <Button type="submit" disabled={name.trim() === "" || name === page.scheme.name}>
          Rename
        </Button>
      </form>
      <h3 className="mb-1 text-sm font-semibold">A change touches</h3>
      <ul className="mb-4 text-sm">
        {page.scheme.uses.map((u) => (
          <li key={u.zoneId} className={u.zoneId === page.id ? "font-semibold" : ""}>
            {u.set}, {u.piece}: {u.zone}
          </li>
        ))}
      </ul>
      {page.scheme.uses.length > 1 && <Button onClick={() => void part()}>Give this zone a copy of its own</Button>}
    </Dialog>
  );
}
