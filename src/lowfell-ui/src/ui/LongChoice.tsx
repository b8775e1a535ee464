import { Command } from "cmdk";
import { Check, ChevronDown } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import type { ChoiceProps } from "./Choice";
import { matching } from "./matching";

const mostShown = 60;

/** One of so many that its name is typed: the first that fit are listed. */
export default function LongChoice<T extends string>({ label, value, options, onChange, id }: ChoiceProps<T>) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState("");
  const found = matching(options, text);
  const chosen = options.find((o) => o.value === value)?.label;
  const shown = found.slice(0, mostShown);
  const groups = [...new Set(shown.map((o) => o.group ?? ""))];
  return (
    <Popover.Root
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        setText("");
      }}
    >
      <Popover.Trigger
        id={id}
        aria-label={`${label}: ${chosen ?? "none"}`}
        className="flex min-h-8 w-full items-center justify-between gap-2 rounded border border-strong bg-raised px-2 py-1 text-left text-sm"
      >
        <span className="truncate">{chosen}</span>
        <ChevronDown size={15} aria-hidden className="shrink-0" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          className="z-50 w-[max(18rem,var(--radix-popover-trigger-width))] rounded border border-strong bg-raised p-1 shadow-lg"
        >
          <Command shouldFilter={false} label={label}>
            <Command.Input
              value={text}
              onValueChange={setText}
              placeholder="Type a part of its name"
              className="mb-1 min-h-8 w-full rounded border border-strong bg-panel px-2 text-sm"
            />
            <Command.List className="max-h-[min(22rem,calc(var(--radix-popover-content-available-height)-5rem))] overflow-y-auto">
              <Command.Empty className="px-2 py-1 text-sm text-soft">Nothing is called that.</Command.Empty>
              {groups.map((group) => (
                <Command.Group
                  key={group}
                  heading={group || undefined}
                  className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-xs [&_[cmdk-group-heading]]:font-semibold [&_[cmdk-group-heading]]:text-soft"
                >
                  {shown
                    .filter((o) => (o.group ?? "") === group)
                    .map((o) => (
                      <Command.Item
                        key={o.value}
                        value={o.value}
                        onSelect={() => {
                          onChange(o.value);
                          setOpen(false);
                        }}
                        className="flex min-h-7 items-center justify-between gap-3 rounded px-2 py-1 text-sm data-[selected=true]:bg-tint"
                      >
                        {o.label}
                        {o.value === value && <Check size={14} aria-hidden />}
                      </Command.Item>
                    ))}
                </Command.Group>
              ))}
            </Command.List>
            {found.length > mostShown && (
              <p className="px-2 pt-1 text-xs text-soft">
                {mostShown} of {found.length}: type more of the name.
              </p>
            )}
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
