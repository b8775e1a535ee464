import { Check } from "lucide-react";
import type { ReactNode } from "react";

/** One step of the first hour, ticked once it is told. */
export function Step({
  number,
  title,
  done,
  children,
}: {
  number: number;
  title: string;
  done: boolean;
  children: ReactNode;
}) {
  return (
    <section aria-label={title} className="flex flex-col gap-2 rounded-lg border border-line bg-panel p-3">
      <h2 className="flex items-center gap-2 font-semibold">
        <span
          aria-hidden
          className={`inline-flex size-6 items-center justify-center rounded-full text-sm ${done ? "bg-accent text-on-accent" : "border border-strong"}`}
        >
          {done ? <Check size={15} /> : number}
        </span>
        {title}
        {done && <span className="sr-only">: told</span>}
      </h2>
      {children}
    </section>
  );
}
