import { stackKeys } from "../craft/stackKeys";
import { Dialog } from "../ui";
import { allPlaces } from "./screens";

const groups = [
  {
    title: "Everywhere",
    keys: [
      ["Ctrl + K, /", "Find a piece, paint, coat, entry, or something to do"],
      ...allPlaces.map((p) => [`g ${p.key}`, `${p.label}: ${p.help}`]),
      ["?", "These keys"],
    ],
  },
  { title: "In the stack", keys: stackKeys.map((k) => [k.shown, k.what]) },
];

export function ShortcutsDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} title="Keys" onClose={onClose}>
      {groups.map((group) => (
        <section key={group.title} className="mb-4">
          <h3 className="mb-1 text-sm font-semibold text-soft">{group.title}</h3>
          <dl className="grid grid-cols-[8.5rem_1fr] gap-y-1 text-sm">
            {group.keys.map(([key, what]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd className="rounded border border-line bg-raised px-1.5 py-0.5 font-sans">{key}</kbd>
                </dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </Dialog>
  );
}
