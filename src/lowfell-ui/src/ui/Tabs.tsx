import { Tabs as Radix } from "radix-ui";
import type { ReactNode } from "react";

interface Props<T extends string> {
  label: string;
  value: T;
  onChange: (value: T) => void;
  tabs: { value: T; label: string; content: ReactNode }[];
}

/** A few views of one thing; arrow keys go between them. */
export function Tabs<T extends string>({ label, value, onChange, tabs }: Props<T>) {
  return (
    <Radix.Root value={value} onValueChange={(v) => onChange(v as T)} activationMode="manual">
      <Radix.List aria-label={label} className="flex gap-1 border-b border-line px-2">
        {tabs.map((tab) => (
          <Radix.Trigger
            key={tab.value}
            value={tab.value}
            className="border-b-2 border-transparent px-2.5 py-2 text-sm text-soft hover:text-ink data-[state=active]:border-accent data-[state=active]:font-semibold data-[state=active]:text-ink"
          >
            {tab.label}
          </Radix.Trigger>
        ))}
      </Radix.List>
      {tabs.map((tab) => (
        <Radix.Content key={tab.value} value={tab.value} className="focus-visible:outline-offset-[-3px]">
          {tab.content}
        </Radix.Content>
      ))}
    </Radix.Root>
  );
}
