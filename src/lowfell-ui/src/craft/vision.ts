const key = "lowfell.vision";
const full = "full";

/** Whose eyes swatches and pictures are shown for. */
export const vision = (): string => document.documentElement.dataset.vision ?? full;

export function setVision(to: string) {
  if (to === full) delete document.documentElement.dataset.vision;
  else document.documentElement.dataset.vision = to;
  localStorage.setItem(key, to);
}

/** As it was chosen in this browser. */
export function restoreVision() {
  const kept = localStorage.getItem(key);
  if (kept && kept !== full) document.documentElement.dataset.vision = kept;
}
