import { ArrowLeft } from 'lucide-react';
import { Link } from 'react-router';
import { backTo, useOrigin } from './origin.ts';
import { TEXTS } from './texts.ts';

/** The way back at the head of a page: to the design that it was opened from, or else to where such pages are found. */
export function BackLink({ to, name }: { readonly to: string; readonly name: string }) {
  const origin = useOrigin();
  const { path, state } = origin ? backTo(origin) : { path: to, state: null };
  const label = origin ? TEXTS.backToName(origin.name) : name;
  return (
    <Link
      to={path}
      state={state}
      aria-label={label}
      title={label}
      className="grid h-8 w-8 place-items-center rounded-md hover:bg-linen"
    >
      <ArrowLeft size={16} aria-hidden />
    </Link>
  );
}
