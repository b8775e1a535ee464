import { X } from "lucide-react";
import { Dialog as Radix } from "radix-ui";
import { type ReactNode, useRef } from "react";
import { openerNow } from "./opener";

interface Props {
  open: boolean;
  title: string;
  description?: string;
  /** Left out where a choice has to be made first. */
  onClose?: () => void;
  children: ReactNode;
  wide?: boolean;
}

/** A dialog over the page; Escape closes it. */
export function Dialog({ open, title, description, onClose, children, wide }: Props) {
  // Noted while it is drawn: what is in it may take the focus before anything else is told.
  const goBack = useRef<() => void>(undefined);
  if (open) goBack.current ??= openerNow();
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose?.()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.45)]" />
        <Radix.Content
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            goBack.current?.();
            goBack.current = undefined;
          }}
          {...(description ? {} : { "aria-describedby": undefined })}
          className={`fixed top-1/2 left-1/2 z-50 max-h-[92vh] w-[calc(100vw-2rem)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-lg border border-strong bg-panel p-5 shadow-xl ${wide ? "max-w-3xl" : "max-w-xl"}`}
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <div>
              <Radix.Title className="text-lg font-semibold">{title}</Radix.Title>
              {description && <Radix.Description className="text-sm text-soft">{description}</Radix.Description>}
            </div>
            {onClose && (
              <Radix.Close
                aria-label="Close"
                className="inline-flex size-8 items-center justify-center rounded hover:bg-tint"
              >
                <X size={18} aria-hidden />
              </Radix.Close>
            )}
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
