import { allowed, type FigureBound, holds } from "./bound";
import { own, rounded } from "./own";
import { type InputHTMLAttributes, type ReactNode, type Ref, useEffect, useId, useState } from "react";

interface FieldProps {
  label: string;
  hint?: string;
  error?: string;
  children: (id: string, described: string | undefined) => ReactNode;
  className?: string;
  /** A fixed id, where a key leads to the control. */
  id?: string;
}

/** A labelled control with room for a hint or a fault. */
export function Field({ label, hint, error, children, className = "", id: fixed }: FieldProps) {
  const own = useId();
  const id = fixed ?? own;
  const said = error ?? hint;
  return (
    <div className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className="text-xs font-semibold text-soft">
        {label}
      </label>
      {children(id, said ? `${id}-said` : undefined)}
      {said && (
        <p
          id={`${id}-said`}
          role={error ? "alert" : undefined}
          className={`text-xs ${error ? "font-semibold text-stop" : "text-soft"}`}
        >
          {said}
        </p>
      )}
    </div>
  );
}

const box = "min-h-8 w-full rounded border border-strong bg-raised px-2 py-1 text-sm aria-invalid:border-stop";

export function TextInput({
  className = "",
  ...rest
}: InputHTMLAttributes<HTMLInputElement> & { ref?: Ref<HTMLInputElement> }) {
  return <input type="text" className={`${box} ${className}`} {...rest} />;
}

interface NumberProps {
  id?: string;
  label?: string;
  value: number | null;
  bound: FigureBound;
  /** Unit that stands behind it. */
  unit?: string;
  /** Its unit stands elsewhere. */
  bare?: boolean;
  onChange: (value: number) => void;
  onEmpty?: () => void;
  /** What stands where nothing is typed. */
  usual?: number;
  className?: string;
}

/**
 * A number within bounds: what is out of bounds stays on the screen, marked, and is not passed on. What is kept in mm, ml or C is shown
 * and typed in the painter's own units.
 */
export function NumberInput({
  id,
  label,
  value,
  bound,
  unit,
  bare = false,
  usual,
  onChange,
  onEmpty,
  className = "",
}: NumberProps) {
  const as = own(unit);
  const limits = as.bound(bound);
  const now = as.text(value);
  const [text, setText] = useState(now);
  const [editing, setEditing] = useState(false);
  useEffect(() => {
    if (!editing) setText(now);
  }, [now, editing]);
  const parsed = Number(text.replace(",", "."));
  const valid = text.trim() === "" ? Boolean(onEmpty) : holds(limits, parsed);
  return (
    <span className={`flex items-center gap-1.5 ${className}`}>
      <input
        id={id}
        aria-label={label}
        aria-invalid={!valid}
        title={valid ? undefined : allowed(limits)}
        inputMode="decimal"
        placeholder={usual === undefined ? undefined : String(rounded(as.show(usual), 3))}
        className={`${box} text-right`}
        value={text}
        onFocus={() => setEditing(true)}
        onBlur={() => setEditing(false)}
        onChange={(e) => {
          setText(e.target.value);
          const next = Number(e.target.value.replace(",", "."));
          if (e.target.value.trim() === "") onEmpty?.();
          else if (holds(limits, next)) onChange(as.take(next));
        }}
      />
      {unit && !bare && <span className="text-xs whitespace-nowrap text-soft">{as.unit}</span>}
    </span>
  );
}

interface ToggleProps {
  label: string;
  hint?: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}

export function Toggle({ label, hint, checked, onChange }: ToggleProps) {
  return (
    <label className={`flex min-h-7 gap-2 text-sm ${hint ? "items-start" : "items-center"}`}>
      <input
        type="checkbox"
        className={`size-4 shrink-0 accent-accent ${hint ? "mt-0.5" : ""}`}
        checked={checked}
        onChange={(e) => onChange(e.target.checked)}
      />
      <span>
        {label}
        {hint && <span className="block text-xs text-soft">{hint}</span>}
      </span>
    </label>
  );
}
