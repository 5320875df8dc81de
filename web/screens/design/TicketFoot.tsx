import { createContext, useContext, type ReactNode } from 'react';
import { createPortal } from 'react-dom';

/** Where the foot of the ticket is. */
export const FootContext = createContext<HTMLElement | null>(null);

/** What a part of the job is all for: stays in reach below the ticket's list, however long that is. */
export function TicketFoot({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  const foot = useContext(FootContext);
  return (
    foot &&
    createPortal(
      <section aria-label={label} className="grid gap-2 border-t border-thread px-4 pt-3 pb-4">
        {children}
      </section>,
      foot,
    )
  );
}
