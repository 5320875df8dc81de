import { FileImage } from 'lucide-react';
import { type Arrival, isComing } from '../drawer/imports.ts';
import { TEXTS } from './texts.ts';

/** A file on its way into the tray, in the place where its motif will stand; nothing once that is there. */
export function TrayArrival({ arrival }: { readonly arrival: Arrival }) {
  if (!isComing(arrival)) return null;
  const { name, progress, state } = arrival;
  return (
    <li className="grid h-19 w-19 shrink-0 grid-rows-[1fr_auto_auto] justify-items-center gap-0.5 p-1" title={name}>
      <FileImage size={22} aria-hidden className="place-self-center text-graphite" />
      <progress
        aria-label={TEXTS.importingName(name)}
        value={state === 'coming' && progress < 1 ? progress : undefined}
        className="h-1 w-full"
      />
      <span className="w-full truncate text-center text-xs text-graphite">{name}</span>
    </li>
  );
}
