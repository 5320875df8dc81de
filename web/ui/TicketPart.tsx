import type { ReactNode } from 'react';

/** A part of a ticket under its own name. */
export function TicketPart({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  return (
    <section
      aria-label={name}
      className="grid grid-cols-[minmax(0,1fr)] gap-2.5 border-b border-dashed border-thread pb-5 last:border-0"
    >
      <h3 className="font-name text-sm font-semibold">{name}</h3>
      {children}
    </section>
  );
}
