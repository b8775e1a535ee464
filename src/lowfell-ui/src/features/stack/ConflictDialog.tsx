import type { Coat, Scheme } from "../../api/types";

import { Button, Dialog } from "../../ui";
import { type PaintNames, paintOf, titleOf } from "./names";

interface Props {
  mine: Coat[];
  theirs: Scheme;
  names: PaintNames;
  onSettle: (keep: "mine" | "theirs", theirs: Scheme) => void;
}

/** Two windows changed one stack: both are shown, one is chosen, neither is lost. */
export function ConflictDialog({ mine, theirs, names, onSettle }: Props) {
  return (
    <Dialog
      wide
      open
      title="Changed in another window"
      description="Choose which stack to keep. The other stays one undo away."
    >
      <div className="grid grid-cols-2 gap-4">
        {(["mine", "theirs"] as const).map((side) => {
          const coats = side === "mine" ? mine : theirs.coats;
          const other = side === "mine" ? theirs.coats : mine;
          return (
            <section key={side} className="flex flex-col rounded border border-line bg-raised p-3">
              <h3 className="mb-2 font-semibold">{side === "mine" ? "This window" : "The other window"}</h3>
              <ol className="mb-3 flex-1 text-sm">
                {coats.toReversed().map((c) => (
                  <li
                    key={c.id}
                    className={
                      other.some((o) => JSON.stringify(o) === JSON.stringify(c)) ? "text-soft" : "font-semibold"
                    }
                  >
                    {titleOf(c, names)}, {paintOf(c, names).name}
                    {c.passes > 1 && ` × ${c.passes}`}
                  </li>
                ))}
              </ol>
              <Button look={side === "mine" ? "main" : "plain"} onClick={() => onSettle(side, theirs)}>
                {side === "mine" ? "Keep mine" : "Take theirs"}
              </Button>
            </section>
          );
        })}
      </div>
    </Dialog>
  );
}
