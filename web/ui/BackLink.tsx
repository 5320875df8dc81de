import { ArrowLeft } from 'lucide-react';
import { Link } from 'react-router';

/** The way back at the head of a page. */
export function BackLink({ to, name }: { readonly to: string; readonly name: string }) {
  return (
    <Link to={to} aria-label={name} title={name} className="grid h-8 w-8 place-items-center rounded-md hover:bg-linen">
      <ArrowLeft size={16} aria-hidden />
    </Link>
  );
}
