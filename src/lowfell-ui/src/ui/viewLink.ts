/** How a link to a view of a place looks. */
export const viewLink = ({ isActive }: { isActive: boolean }) =>
  `flex min-h-9 shrink-0 items-center border-b-2 px-2 text-sm whitespace-nowrap ${isActive ? "border-accent font-semibold" : "border-transparent text-soft hover:text-ink"}`;
