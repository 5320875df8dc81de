import { useLocation } from 'react-router';

/** The design that a page was opened from, and goes back to with what was made on it. */
export interface Origin {
  readonly design: string;
  readonly name: string;
  /** The placement whose motif is changed; undefined where one is made. */
  readonly placement?: string | undefined;
}

/** What a design is told by the page that goes back to it: a motif to be laid, or a placement to be selected. */
export type Returned = { readonly motif: string } | { readonly placement: string };

interface Passed {
  readonly origin?: Origin;
  /** The try-on from which its design was gone to. */
  readonly tryOn?: string;
  readonly returned?: Returned;
}

/** The state of an address that is gone to from a design. */
export const fromDesign = (origin: Origin): Passed => ({ origin });

/** The address of the design that a page was opened from, and what it is told there. */
export function backTo(
  { design, placement }: Origin,
  made?: string,
): { readonly path: string; readonly state: Passed | null } {
  const returned = made === undefined ? (placement === undefined ? undefined : { placement }) : { motif: made };
  return { path: `/designs/${design}`, state: returned ? { returned } : null };
}

/** The design that this page was opened from; undefined where it was gone to otherwise. */
export function useOrigin(): Origin | undefined {
  return (useLocation().state as Passed | null)?.origin;
}

/** The state of the address of what a try-on is made of. */
export const fromTryOn = (tryOn: string): Passed => ({ tryOn });

/** The try-on from which this design was gone to, if it was. */
export function useTryOnOrigin(): string | undefined {
  return (useLocation().state as Passed | null)?.tryOn;
}

/** What this design is told by the page that came back to it. */
export function useReturned(): Returned | undefined {
  return (useLocation().state as Passed | null)?.returned;
}
