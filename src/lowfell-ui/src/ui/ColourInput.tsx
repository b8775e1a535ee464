import { TextInput } from "./Field";

export const isColour = (text: string | undefined): text is string => /^#[0-9a-f]{6}$/i.test(text ?? "");

interface Props {
  id?: string;
  label: string;
  value: string;
  onChange: (value: string) => void;
}

/** A colour picked or typed; what is no colour stays on the screen, marked. */
export function ColourInput({ id, label, value, onChange }: Props) {
  return (
    <span className="flex gap-2">
      <input
        type="color"
        aria-label={`Pick: ${label}`}
        className="h-8 w-11 shrink-0 rounded border border-strong bg-swatch"
        value={isColour(value) ? value : "#888888"}
        onChange={(e) => onChange(e.target.value)}
      />
      <TextInput
        id={id}
        aria-label={id ? undefined : label}
        aria-invalid={value !== "" && !isColour(value)}
        placeholder="#rrggbb"
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
    </span>
  );
}
