/** A look at recess, face and edge, side by side. */
export function ThreeHeights({
  of,
  className = "",
}: {
  of: { recess: string; face: string; edge: string } | undefined;
  className?: string;
}) {
  return (
    <span aria-hidden className={`grid grid-cols-[2fr_3fr_2fr] overflow-hidden rounded-sm ${className}`}>
      {of && [of.recess, of.face, of.edge].map((colour, i) => <span key={i} style={{ background: colour }} />)}
    </span>
  );
}
