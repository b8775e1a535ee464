import { api, ask, wording } from "../api/client";
import { notify } from "../ui";

/** Opens the demo bench or one's own in this browser: everything on the screen is of the other bench then, so the page begins anew. */
export async function openBench(demo: boolean) {
  try {
    await ask(api.POST("/api/bench/open", { body: { demo } }));
    window.location.assign("/sets");
  } catch (error) {
    notify(wording(error));
  }
}
