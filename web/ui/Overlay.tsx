import { useEffect, useRef, type ReactNode } from 'react';
import { Button } from './Button.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly label: string;
  readonly title: string;
  readonly note: string;
  readonly onClose: () => void;
  /** Of the button that closes it. */
  readonly back?: string;
  readonly children: ReactNode;
}

/** A view that covers the whole screen, with one button to close it. */
export function Overlay({ label, title, note, onClose, back: backTo = TEXTS.backToTheCloth, children }: Props) {
  const back = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    back.current?.querySelector('button')?.focus();
  }, []);
  return (
    <section
      role="dialog"
      aria-label={label}
      className="fixed inset-0 z-40 flex flex-col bg-linen"
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose();
      }}
    >
      <header className="flex h-12 shrink-0 items-center gap-4 border-b border-thread bg-calico px-4">
        <h2 className="font-name text-lg font-semibold">{title}</h2>
        <p className="truncate text-sm text-graphite">{note}</p>
        <span ref={back} className="ml-auto">
          <Button onClick={onClose}>{backTo}</Button>
        </span>
      </header>
      {children}
    </section>
  );
}
