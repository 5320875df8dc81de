import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { TEXTS } from './texts.ts';

const PLACES = [
  { to: '/', name: TEXTS.table },
  { to: '/motifs', name: TEXTS.motifDrawer },
  { to: '/workshop', name: TEXTS.workshop },
  { to: '/swatches', name: TEXTS.swatchBook },
  { to: '/try-ons', name: TEXTS.tryOns },
  { to: '/print-house', name: TEXTS.printHouse },
] as const;

/** The head of the studio's rooms: where one is, where one can go, what can be done here. */
export function Masthead({ children }: { readonly children?: ReactNode }) {
  return (
    <header className="flex items-center gap-8 border-b border-thread bg-calico px-8 py-3">
      <span className="font-name text-xl font-bold tracking-tight">{TEXTS.hevrel}</span>
      <nav aria-label={TEXTS.studio} className="flex gap-1">
        {PLACES.map(({ to, name }) => (
          <NavLink
            key={to}
            to={to}
            end
            className={({ isActive }) =>
              `rounded-md px-3 py-1.5 text-sm font-medium ${isActive ? 'bg-linen' : 'hover:bg-linen/60'}`
            }
          >
            {name}
          </NavLink>
        ))}
      </nav>
      <div className="ml-auto flex gap-2">{children}</div>
    </header>
  );
}
