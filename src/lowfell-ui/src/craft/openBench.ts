import { api, ask, wording } from "../api/client";
import { notify } from "../ui";
import { waitingTaps } from "./outbox";
import { forgetAnswers } from "../api/lastAnswers";

/** Opens the demo bench or one's own in this browser: everything on the screen is of the other bench then, so the page begins anew. */
export async function openBench(demo: boolean) {
  if ((await waitingTaps()) > 0) {
    notify("Wait until the last taps of the bench card are kept: they belong to the bench that is open now.");
    return;
  }
  try {
    await ask(api.POST("/api/bench/open", { body: { demo } }));
    await forgetAnswers();
    window.location.assign("/sets");
  } catch (error) {
    notify(wording(error));
  }
}
