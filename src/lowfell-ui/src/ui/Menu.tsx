import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";
import { rememberMenu } from "./opener";

export interface MenuItem {
  label: string;
  onSelect: () => void;
  disabled?: boolean;
}

/** A short list of things to do, behind a button. */
export function Menu({ label, icon, items }: { label: string; icon: ReactNode; items: MenuItem[] }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        onFocus={(e) => rememberMenu(e.currentTarget)}
        aria-label={label}
        title={label}
        className="inline-flex size-8 items-center justify-center rounded hover:bg-tint"
      >
        {icon}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-50 min-w-44 rounded border border-strong bg-raised p-1 shadow-lg"
        >
          {items.map((item) => (
            <DropdownMenu.Item
              key={item.label}
              disabled={item.disabled}
              onSelect={item.onSelect}
              className="rounded px-2 py-1.5 text-sm data-disabled:opacity-40 data-highlighted:bg-tint data-highlighted:outline-none"
            >
              {item.label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
