import type { ButtonHTMLAttributes, ReactNode } from "react";

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  look?: "plain" | "main" | "quiet";
  children: ReactNode;
}

const looks = {
  plain: "border border-strong bg-raised hover:bg-tint",
  main: "border border-accent bg-accent text-on-accent hover:opacity-90",
  quiet: "border border-transparent hover:bg-tint",
};

export function Button({ look = "plain", className = "", type = "button", ...rest }: Props) {
  return (
    <button
      type={type}
      className={`inline-flex min-h-8 items-center justify-center gap-1.5 rounded px-3 py-1 text-sm font-medium disabled:opacity-45 ${looks[look]} ${className}`}
      {...rest}
    />
  );
}

interface IconProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  label: string;
  children: ReactNode;
}

/** A square button whose name is told by its label. */
export function IconButton({ label, className = "", type = "button", ...rest }: IconProps) {
  return (
    <button
      type={type}
      aria-label={label}
      title={label}
      className={`inline-flex size-8 items-center justify-center rounded border border-transparent text-ink hover:bg-tint disabled:opacity-35 ${className}`}
      {...rest}
    />
  );
}
