import { length } from "../../api/units";
import { useQuery } from "@tanstack/react-query";
import { Check } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { Tray, TraySteps } from "../../api/types";
import { duration, techniqueWord } from "../../api/words";
import { Button, Dialog, notify } from "../../ui";
import { DustUp } from "./DustUp";
import { Rim } from "./Rim";

type Step = TraySteps["steps"][number];

const isOpen = (s: Step) => !s.inStack || typeof s.stackFilmMm === "number";

/** What the tray brings into the stack of its piece: paste, grit, crackle, tufts; put there with their waits, amounts and evenings. */
export function StepsDialog({ tray, onClose }: { tray: Tray; onClose: () => void }) {
  const steps = useQuery(queries.traySteps(tray.id));
  const [left, setLeft] = useState<string[]>();
  const [fault, setFault] = useState<string>();
  const answer = steps.data;
  // Notes are offered, not pressed on anybody.
  const chosen =
    left ?? answer?.steps.filter((s) => isOpen(s) && !s.isNote && s.material).map((s) => s.technique) ?? [];
  async function put() {
    if (!answer?.zoneId) return;
    setFault(undefined);
    try {
      await ask(
        api.POST("/api/trays/{id}/steps", {
          params: { path: { id: tray.id } },
          body: {
            zoneId: answer.zoneId,
            schemeVersion: answer.schemeVersion,
            techniques: chosen as Step["technique"][],
          },
        }),
      );
      await changed("stack", "tray");
      setLeft(undefined);
      notify(`${answer.zone} has them now, at their places. Its History has a way back.`);
    } catch (error) {
      setFault(wording(error));
      await changed("stack", "tray");
    }
  }
  return (
    <Dialog
      open
      wide
      title="Texture as coats"
      description="What the tray brings into the stack, and with it into plan and amounts."
      onClose={onClose}
    >
      {!answer && <p className="text-soft">Looking at the stack…</p>}
      {answer && !answer.zoneId && (
        <p className="text-soft">The piece has no zone yet: make one that looks up, and come back.</p>
      )}
      {answer?.zoneId && (
        <>
          <p className="mb-2 text-sm">
            Zone{" "}
            <Link className="font-semibold underline" to={`/piece/${tray.pieceId}/coats/${answer.zoneId}`}>
              {answer.zone}
            </Link>
            , scheme {answer.scheme}
          </p>
          <ul className="text-sm">
            {answer.steps.map((s) => (
              <li key={s.technique} className="flex items-start gap-3 border-t border-line py-2">
                <span className="w-6 pt-0.5">
                  {isOpen(s) ? (
                    <input
                      type="checkbox"
                      className="size-4 accent-accent"
                      aria-label={`Put ${techniqueWord[s.technique]} into the stack`}
                      disabled={!s.inStack && !s.material}
                      checked={chosen.includes(s.technique)}
                      onChange={(e) =>
                        setLeft(e.target.checked ? [...chosen, s.technique] : chosen.filter((t) => t !== s.technique))
                      }
                    />
                  ) : (
                    <Check size={16} aria-label="In the stack" />
                  )}
                </span>
                <span className="min-w-0 flex-1">
                  <strong className="font-semibold">{techniqueWord[s.technique]}</strong>
                  {s.filmMm > 0 && `, ${length(s.filmMm)}`}
                  {s.isNote && <span className="text-soft"> (many go on without)</span>}
                  <span className="block text-soft">{s.about}</span>
                  {typeof s.stackFilmMm === "number" && (
                    <span className="block font-semibold text-risk">
                      The stack has it {length(s.stackFilmMm)} thick; it dries as thick as it is laid.
                    </span>
                  )}
                </span>
                <span className="w-40 text-right text-soft">
                  {s.inStack ? "in the stack" : s.material ? `with ${s.material}` : "nothing on the shelf for it"}
                  {(s.waitMin ?? 0) > 0 && <span className="block">then {duration(s.waitMin!)}</span>}
                </span>
              </li>
            ))}
          </ul>
          {fault && (
            <p role="alert" className="mt-2 text-sm font-semibold text-stop">
              {fault}
            </p>
          )}
          <div className="mt-3 flex justify-end gap-2">
            <Button onClick={onClose}>Close</Button>
            <Button look="main" disabled={chosen.length === 0} onClick={() => void put()}>
              Put {chosen.length === 1 ? "it" : "them"} into the stack
            </Button>
          </div>
        </>
      )}
      <Rim tray={tray} />
      <DustUp />
    </Dialog>
  );
}
