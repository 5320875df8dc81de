import { Dialog as HeadlessDialog, DialogBackdrop, DialogPanel, DialogTitle } from '@headlessui/react';
import { X } from 'lucide-react';
import { useRef, type ReactNode } from 'react';
import { Button } from './Button.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly title: string;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly wide?: boolean;
  /** Whether something is under way in it. */
  readonly isBusy?: boolean;
  readonly children: ReactNode;
}

/**
 * A dialog with a title and a way out; it fits the window and scrolls inside. A press beside it closes it, but for one in which something
 * is under way or was typed.
 */
export function Dialog({ title, open, onClose, wide = false, isBusy = false, children }: Props) {
  const isTyped = useRef(false);
  const isBeside = useRef(false);
  const close = (): void => {
    const isHeld = isBeside.current && (isBusy || isTyped.current);
    isBeside.current = false;
    if (isHeld) return;
    isTyped.current = false;
    onClose();
  };
  return (
    <HeadlessDialog
      open={open}
      onClose={close}
      className="relative z-50"
      onKeyDownCapture={() => (isBeside.current = false)}
    >
      <DialogBackdrop className="fixed inset-0 bg-ink/30" />
      <div
        className="fixed inset-0 grid place-items-center p-4"
        onPointerDown={({ target, currentTarget }) => (isBeside.current = target === currentTarget)}
      >
        <DialogPanel
          onInput={() => (isTyped.current = true)}
          className={`flex max-h-[calc(100dvh-2rem)] w-full flex-col rounded-md border border-thread bg-calico shadow-float ${wide ? 'max-w-2xl' : 'max-w-md'}`}
        >
          <div className="flex shrink-0 items-center justify-between border-b border-thread py-2 pr-2 pl-5">
            <DialogTitle className="font-name text-lg font-semibold">{title}</DialogTitle>
            <Button
              look="quiet"
              label={TEXTS.close}
              onClick={() => {
                isTyped.current = false;
                onClose();
              }}
            >
              <X size={16} aria-hidden />
            </Button>
          </div>
          {/* Reached by the keyboard too, for there may be nothing else in it to reach. */}
          <div className="min-h-0 overflow-y-auto p-5" tabIndex={0} role="group" aria-label={title}>
            {children}
          </div>
        </DialogPanel>
      </div>
    </HeadlessDialog>
  );
}
