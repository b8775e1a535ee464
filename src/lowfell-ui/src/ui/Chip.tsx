interface Props {
  /** A colour, or several from left to right (recess, face, edge). */
  colour: string | string[] | undefined;
  title?: string;
  className?: string;
}

/** A colour on the even mid-light ground that colours are judged on. */
export function Chip({ colour, title, className = "h-6 w-10" }: Props) {
  const colours = Array.isArray(colour) ? colour : [colour ?? "transparent"];
  return (
    <span className="inline-block rounded bg-swatch p-1 align-middle" title={title}>
      <span className={`flex overflow-hidden rounded-sm ${className}`}>
        {colours.map((c, i) => (
          <span key={i} className="h-full flex-1" style={{ background: c }} />
        ))}
      </span>
    </span>
  );
}
