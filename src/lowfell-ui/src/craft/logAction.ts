import { Problem } from "../api/client";
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

/** Whether a file begins as a PNG or a JPEG does: told at once, also while the host is away. */
export async function isPicture(file: Blob): Promise<boolean> {
  const head = new Uint8Array(await file.slice(0, 4).arrayBuffer());
  const begins = (...bytes: number[]) => bytes.every((b, i) => head[i] === b);
  return begins(0x89, 0x50, 0x4e, 0x47) || begins(0xff, 0xd8, 0xff);
}

/** Sends a picture under an id. */
export async function sendPicture(id: string, picture: Blob): Promise<void> {
  const answer = await fetch(`/api/photos/${id}`, {
    method: "PUT",
    body: picture,
    headers: { "content-type": picture.type || "image/jpeg" },
  }).catch(() => undefined);
  if (!answer) throw new Problem(0, "Lowfell does not answer.", {}, null);
  if (answer.ok) return;
  const body = (await answer.json().catch(() => ({}))) as { title?: string; errors?: Record<string, string[]> };
  throw new Problem(
    answer.status,
    body.title ?? `The picture was not taken (${answer.status}).`,
    body.errors ?? {},
    body,
  );
}

/** Keeps a picture, and gives its id. */
export async function keepPhoto(file: File): Promise<string> {
  const id = newId();
  await sendPicture(id, file);
  return id;
}
