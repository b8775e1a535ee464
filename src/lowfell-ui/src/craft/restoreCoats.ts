import { changed } from "../api/changes";
import { api, ask } from "../api/client";
import type { Coat } from "../api/types";

/** Puts the coats of a zone's scheme back to what they were: the undo of what another screen has done to it. */
export async function restoreCoats(zoneId: string, coats: Coat[]) {
  const now = await ask(api.GET("/api/zones/{id}", { params: { path: { id: zoneId } } }));
  await ask(
    api.PUT("/api/schemes/{id}/stack", {
      params: { path: { id: now.scheme.id } },
      body: { version: now.scheme.version, coats },
    }),
  );
  await changed("stack");
}
