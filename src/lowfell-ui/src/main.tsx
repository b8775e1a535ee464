import { QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router/dom";
import { api, ask, Problem, queryClient, wording } from "./api/client";
import { learn } from "./api/words";
import { router } from "./app/routes";
import { askOrLast, keepLastAnswers } from "./api/lastAnswers";
import { restoreVision } from "./craft/vision";
import "./styles.css";

restoreVision();
keepLastAnswers();
const retryMs = 1_500;
const root = document.getElementById("root")!;

// Nothing can be named before the host's words are here.
async function start(): Promise<void> {
  try {
    learn(await askOrLast("craft", () => ask(api.GET("/api/craft"))));
  } catch (error) {
    root.textContent = `${wording(error)} Trying again…`;
    if (!(error instanceof Problem)) throw error;
    await new Promise((done) => setTimeout(done, retryMs));
    return start();
  }
  root.textContent = "";
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queryClient}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </StrictMode>,
  );
}

void start();

// Opens while the network is away; not while it is being worked on.
if (import.meta.env.PROD && "serviceWorker" in navigator)
  window.addEventListener("load", () => void navigator.serviceWorker.register("/sw.js").catch(() => undefined));
