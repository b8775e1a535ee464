/** Whether a key press belongs to a field, a menu or a dialog rather than to the screen. */
export function typing(e: KeyboardEvent): boolean {
  const target = e.target as HTMLElement | null;
  if (!target?.closest) return false;
  return (
    Boolean(
      target.closest("input:not([type=checkbox]), textarea, select, [role=combobox], [role=dialog], [role=menu]"),
    ) || document.querySelector("[role=dialog],[role=menu]") !== null
  );
}
