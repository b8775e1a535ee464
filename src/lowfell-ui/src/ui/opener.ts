/** The button of the menu that was opened last: what it opens is gone once something is chosen. */
let menuButton: HTMLElement | null = null;

export const rememberMenu = (button: HTMLElement | null) => {
  menuButton = button;
};

/** What the focus goes back to when what opens now is closed again. */
export function openerNow(): () => void {
  const focused = document.activeElement;
  const menu = menuButton;
  return () => {
    const back = [focused, menu].find(
      (e): e is HTMLElement => e instanceof HTMLElement && e !== document.body && e.isConnected,
    );
    back?.focus();
  };
}
