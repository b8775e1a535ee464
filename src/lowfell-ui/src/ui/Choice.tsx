import { Check, ChevronDown } from "lucide-react";
import { Select } from "radix-ui";
import { lazy, Suspense } from "react";
import { nonce } from "./nonce";

export interface Option<T extends string> {
  value: T;
  label: string;
  group?: string;
}

export interface ChoiceProps<T extends string> {
  label: string;
  value: T;
  options: Option<T>[];
  onChange: (value: T) => void;
  id?: string;
}

// More than this can't be looked through: the name is typed.
const mostListed = 60;
const LongChoice = lazy(() => import("./LongChoice")) as <T extends string>(props: ChoiceProps<T>) => React.ReactNode;

/** One of a list; of a long one by a part of its name. */
export function Choice<T extends string>(props: ChoiceProps<T>) {
  return props.options.length > mostListed ? (
    <Suspense fallback={<div className="min-h-8" />}>
      <LongChoice {...props} />
    </Suspense>
  ) : (
    <ListChoice {...props} />
  );
}

function ListChoice<T extends string>({ label, value, options, onChange, id }: ChoiceProps<T>) {
  const groups = [...new Set(options.map((o) => o.group ?? ""))];
  return (
    <Select.Root value={value} onValueChange={(v) => onChange(v as T)}>
      <Select.Trigger
        id={id}
        aria-label={label}
        className="flex min-h-8 w-full items-center justify-between gap-2 rounded border border-strong bg-raised px-2 py-1 text-left text-sm"
      >
        <span className="truncate">
          <Select.Value />
        </span>
        <Select.Icon>
          <ChevronDown size={15} aria-hidden />
        </Select.Icon>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={4}
          className="z-50 max-h-[min(26rem,var(--radix-select-content-available-height))] min-w-(--radix-select-trigger-width) overflow-hidden rounded border border-strong bg-raised shadow-lg"
        >
          <Select.Viewport nonce={nonce} className="p-1">
            {groups.map((group) => (
              <Select.Group key={group}>
                {group && (
                  <Select.Label className="px-2 pt-2 pb-0.5 text-xs font-semibold text-soft">{group}</Select.Label>
                )}
                {options
                  .filter((o) => (o.group ?? "") === group)
                  .map((o) => (
                    <Select.Item
                      key={o.value}
                      value={o.value}
                      className="flex items-center justify-between gap-3 rounded px-2 py-1 text-sm data-highlighted:bg-tint data-highlighted:outline-none"
                    >
                      <Select.ItemText>{o.label}</Select.ItemText>
                      <Select.ItemIndicator>
                        <Check size={14} aria-hidden />
                      </Select.ItemIndicator>
                    </Select.Item>
                  ))}
              </Select.Group>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
