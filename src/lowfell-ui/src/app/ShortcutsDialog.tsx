import { stackKeys } from "../craft/stackKeys";
import { useState } from "react";
import { Link } from "react-router";
import { craft } from "../api/words";
import { termsIn } from "../craft/glossary";
import { Dialog, Toggle } from "../ui";
import { allPlaces } from "./screens";

const groups = [
  {
    title: "Everywhere",
    keys: [
      ["Ctrl + K, /", "Find a piece, paint, coat, entry, or something to do"],
      ...allPlaces.map((p) => [`g ${p.key}`, `${p.label}: ${p.help}`]),
      ["?", "These keys, and what the words on the screen mean"],
    ],
  },
  { title: "In the stack", keys: stackKeys.map((k) => [k.shown, k.what]) },
];

interface Props {
  open: boolean;
  /** The page of the guide that is about this place. */
  guideTo: string;
  onClose: () => void;
}

export function ShortcutsDialog({ open, guideTo, onClose }: Props) {
  return (
    <Dialog open={open} title="Keys and words" onClose={onClose}>
      <p className="mb-3 text-sm">
        <Link to={guideTo} className="underline" onClick={onClose}>
          What this place does, in the guide
        </Link>
      </p>
      {open && <WordsHere />}
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

/** The terms that stand on the screen behind, explained; all of them if wanted. */
function WordsHere() {
  const [all, setAll] = useState(false);
  const [here] = useState(() => termsIn(document.querySelector("main")?.innerText ?? ""));
  const shown = all || here.length === 0 ? craft().glossary : here;
  return (
    <section className="mb-4" data-testid="words-here">
      <div className="mb-1 flex items-center gap-3">
        <h3 className="text-sm font-semibold text-soft">{shown === here ? "Words on this screen" : "Words"}</h3>
        {here.length > 0 && <Toggle label="all words" checked={all} onChange={setAll} />}
      </div>
      <dl
        className="grid max-h-64 grid-cols-[8.5rem_1fr] gap-y-1 overflow-y-auto text-sm"
        tabIndex={0}
        aria-label="Words"
      >
        {shown.map((t) => (
          <div key={t.word} className="contents">
            <dt className="font-semibold">{t.word}</dt>
            <dd>{t.says}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
