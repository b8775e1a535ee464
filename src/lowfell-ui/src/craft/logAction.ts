import { newId } from "../api/newId";
import type { StepId } from "../api/step";
import type { LogAction, LogKind } from "../api/types";

const whoKey = "lowfell.who";

/** Who paints at this browser. */
export const whoPaints = (): string => localStorage.getItem(whoKey) ?? "";

export const rememberWho = (who: string) => localStorage.setItem(whoKey, who);

/** An action on copies of a step, with an id of its own. */
export const logAction = (step: StepId, kind: LogKind, copies: number[], more: Partial<LogAction> = {}): LogAction => ({
  id: newId(),
  kind,
  zoneId: step.zoneId,
  coatId: step.coatId,
  partId: step.partId,
  pass: step.pass,
  copies,
  at: new Date().toISOString(),
  who: whoPaints(),
  deviation: "",
  cause: "",
  remedy: "",
  note: "",
  symptom: "",
  causeKey: "",
  ...more,
});

/** Keeps a picture, and gives its id. */
export async function keepPhoto(file: File): Promise<string> {
  const id = newId();
  const answer = await fetch(`/api/photos/${id}`, {
    method: "PUT",
    body: file,
    headers: { "content-type": file.type || "image/jpeg" },
  });
  if (answer.ok) return id;
  const body = (await answer.json().catch(() => ({}))) as { errors?: Record<string, string[]> };
  throw new Error(Object.values(body.errors ?? {}).flat()[0] ?? `The picture was not taken (${answer.status}).`);
}
