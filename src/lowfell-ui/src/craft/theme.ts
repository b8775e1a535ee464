const key = "lowfell.theme";

export type Theme = "day" | "lamp";

/** The light that the screen is drawn for. */
export const theme = (): Theme => (document.documentElement.dataset.theme === "lamp" ? "lamp" : "day");

export function setTheme(to: Theme) {
  document.documentElement.dataset.theme = to;
  localStorage.setItem(key, to);
}

export const switchTheme = () => setTheme(theme() === "lamp" ? "day" : "lamp");
