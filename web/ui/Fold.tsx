import { ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';

interface Props {
  readonly name: string;
  /** Said behind the name, such as how many. */
  readonly note?: string;
  readonly open?: boolean;
  readonly children: ReactNode;
}

/** A part of a ticket that folds away under its name. */
export function Fold({ name, note, open = false, children }: Props) {
  return (
    <details open={open} className="group border-t border-dashed border-thread pt-3">
      <summary className="flex cursor-pointer list-none items-center gap-1.5 rounded-sm text-sm font-semibold [&::-webkit-details-marker]:hidden">
        <ChevronRight size={14} aria-hidden className="transition-transform group-open:rotate-90" />
        {name}
        {note && <span className="ml-auto text-xs font-normal text-graphite">{note}</span>}
      </summary>
      <div className="grid grid-cols-1 gap-3 pt-3">{children}</div>
    </details>
  );
}
