import { ChevronDown, ChevronRight, Wand2 } from "lucide-react";
import { type ReactNode, useState } from "react";
import { Link } from "react-router";
import type { Coat, Finding, Mend } from "../../api/types";
import { techniqueWord } from "../../api/words";
import { Button } from "../../ui";
import { costWords, movedWords, outcomeWords } from "./costs";
import { FindingHead } from "./FindingHead";
import { Know } from "./Know";

interface Props {
  findings: Finding[];
  shown: Finding | null;
  /** Of the finding that is shown; none until they are worked out. */
  mends: Mend[] | undefined;
  mendsFailed: string | null;
  failed: string | null;
  /** Nothing is known of the stack yet. */
  pending?: boolean;
  coats: Coat[];
  onShow: (finding: Finding | null) => void;
  onMend: (finding: Finding, mend: Mend) => void;
  onMendAll: () => void;
  onKnow: (finding: Finding, reason: string | null) => void;
  /** What is found over the whole piece. */
  children?: ReactNode;
  /** Takes the room where nothing is found. */
  look?: ReactNode;
}

const firstMends = 4;

/** What will go wrong and why; a finding that is looked at offers its mends, or rests once the painter says why. */
export function FindingsList(props: Props) {
  const { findings, failed, pending, coats, onMendAll } = props;
  const speaking = findings.filter((f) => f.rests == null);
  const resting = findings.filter((f) => f.rests != null);
  const alarms = speaking.filter((f) => f.severity !== "note");
  return (
    <section aria-label="Findings" className="flex min-h-0 flex-col rounded-lg border border-line bg-panel">
      <div className="flex min-h-12 items-center gap-2 border-b border-line py-1.5 pr-2 pl-4">
        <h2 className="flex-1 py-1 font-semibold">Findings</h2>
        {alarms.length > 0 && (
          <Button onClick={onMendAll} title="Look for the mends that leave no stop and no risk (Shift + m)">
            <Wand2 size={14} aria-hidden /> Mend all
          </Button>
        )}
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto">
        {failed && (
          <p role="alert" className="border-b border-line p-4 text-sm font-semibold text-stop">
            {failed}
          </p>
        )}
        {!failed && !pending && speaking.length === 0 && (
          <p className="p-4 text-sm text-soft">
            {coats.length === 0
              ? "Findings come with the first coats."
              : "Nothing will go wrong in this order, as far as the rules know."}
          </p>
        )}
        {!failed && speaking.length === 0 && props.look}
        <ul>
          {speaking.map((f) => (
            <Row key={f.rule + f.aspect + f.coatId} finding={f} {...props} />
          ))}
        </ul>
        {props.children}
        {resting.length > 0 && (
          <>
            <h3 className="px-4 pt-3 pb-1 text-xs font-semibold text-soft">Set aside, as you know</h3>
            <ul>
              {resting.map((f) => (
                <Row key={f.rule + f.aspect + f.coatId} finding={f} {...props} />
              ))}
            </ul>
          </>
        )}
      </div>
    </section>
  );
}

function Row({ finding: f, shown, mends, mendsFailed, coats, onShow, onMend, onKnow }: Props & { finding: Finding }) {
  const index = coats.findIndex((c) => c.id === f.coatId);
  const open = f === shown;
  const rests = f.rests != null;
  return (
    <li data-rule={f.rule} data-rests={rests} className={`border-b border-line p-3 ${open ? "bg-tint" : ""}`}>
      <FindingHead
        finding={f}
        open={open}
        onPress={() => onShow(open ? null : f)}
        place={`Coat ${index + 1}, ${coats[index] ? techniqueWord[coats[index].technique].toLowerCase() : ""}`}
        end={open ? <ChevronDown size={15} aria-hidden /> : <ChevronRight size={15} aria-hidden />}
      />
      {open && (
        <div className="mt-2 flex flex-col gap-2 pl-6 text-sm">
          <Behind finding={f} />
          {rests ? (
            <Button className="self-start" onClick={() => onKnow(f, null)}>
              Show it again
            </Button>
          ) : (
            <>
              {mendsFailed ? (
                <p role="alert" className="text-stop">
                  {mendsFailed}
                </p>
              ) : (
                <Mends mends={mends} onMend={(m) => onMend(f, m)} />
              )}
              <Know onKnow={(reason) => onKnow(f, reason)} />
            </>
          )}
        </div>
      )}
    </li>
  );
}

/** The figure behind a finding, and the choice among schools that it follows. */
function Behind({ finding }: { finding: Finding }) {
  if (finding.figure == null && finding.school == null) return null;
  return (
    <p className="text-xs text-soft" data-testid="figure">
      {finding.figure}
      {finding.school != null && (
        <>
          {" "}
          {finding.school}{" "}
          <Link to="/settings/schools" className="underline">
            Schools
          </Link>
        </>
      )}
    </p>
  );
}

function Mends({ mends, onMend }: { mends: Mend[] | undefined; onMend: (mend: Mend) => void }) {
  const [all, setAll] = useState(false);
  if (!mends) return <p className="text-soft">Trying the mends…</p>;
  if (mends.length === 0) return <p className="text-soft">There is no mend that is better than what you have.</p>;
  const shown = all ? mends : mends.slice(0, firstMends);
  return (
    <div className="flex flex-col gap-1" aria-label="Mends">
      {shown.map((m, i) => (
        <Button
          key={m.id}
          data-mend={m.id}
          className="h-auto! items-start justify-start py-1.5! text-left font-normal!"
          onClick={() => onMend(m)}
        >
          <span className="min-w-0 flex-1">
            <span className="block">{m.label}</span>
            <span className="block text-xs text-soft">
              {[costWords(m.added), movedWords(m.moved), outcomeWords(m.after)].filter(Boolean).join("; ")}
            </span>
          </span>
          {i === 0 && <kbd className="rounded border border-line px-1 font-sans text-xs text-soft">m</kbd>}
        </Button>
      ))}
      {mends.length > shown.length && (
        <Button look="quiet" className="self-start" onClick={() => setAll(true)}>
          {mends.length - shown.length} more
        </Button>
      )}
    </div>
  );
}
