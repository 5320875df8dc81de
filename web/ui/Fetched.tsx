import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { TEXTS } from './texts.ts';

interface Props<T> {
  /** What is being fetched, as in “This design could not be opened”. */
  readonly what: string;
  readonly query: { readonly data: T | undefined; readonly error: Error | null };
  /** Where to go when it cannot be had. */
  readonly back: { readonly to: string; readonly name: string };
  readonly children: (data: T) => ReactNode;
}

/** A whole page's worth of something from the server: on its way, there, or not to be had. */
export function Fetched<T>({ what, query: { data, error }, back, children }: Props<T>) {
  if (data !== undefined) return children(data);
  if (!error) return <p className="grid h-full place-items-center text-graphite">{TEXTS.fetchingTheWhat(what)}</p>;
  return (
    <main className="mx-auto grid h-full max-w-lg place-content-center gap-4 p-8">
      <h1 className="font-name text-2xl font-semibold">{TEXTS.thisWhatCouldNotBe(what)}</h1>
      <p>{error.message}</p>
      <Link to={back.to} className="text-madder underline underline-offset-2">
        {TEXTS.toTheName(back.name)}
      </Link>
    </main>
  );
}
