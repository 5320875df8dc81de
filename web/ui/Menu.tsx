import { Menu as HeadlessMenu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import type { LucideIcon } from 'lucide-react';
import type { ReactNode } from 'react';

export interface MenuChoice {
  readonly name: string;
  readonly Icon: LucideIcon;
  readonly run: () => void;
}

interface Props {
  /** The name of a button that shows only a picture; shown on hover too. */
  readonly label?: string | undefined;
  readonly choices: readonly MenuChoice[];
  readonly className: string;
  readonly children: ReactNode;
}

/** A button that opens a list of things to do, each an icon with its name. */
export function Menu({ label, choices, className, children }: Props) {
  return (
    <HeadlessMenu>
      <MenuButton aria-label={label} title={label} className={className}>
        {children}
      </MenuButton>
      <MenuItems
        anchor={{ to: 'bottom start', gap: 4, padding: 8 }}
        data-own-press
        className="z-40 grid min-w-48 rounded-md border border-thread bg-calico p-1 shadow-float focus:outline-none"
      >
        {choices.map(({ name, Icon, run }) => (
          <MenuItem key={name}>
            <button
              type="button"
              onClick={run}
              className="flex h-9 items-center gap-2 rounded-sm px-2 text-left text-sm data-focus:bg-linen"
            >
              <Icon size={16} aria-hidden className="shrink-0 text-graphite" /> {name}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </HeadlessMenu>
  );
}
