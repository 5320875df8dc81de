import type { Hex } from '../colour/index.ts';
import type { Ink } from './ink.ts';

/** What an ink prints, as texts that no two inks of a design share: a colour everywhere, or in one motif. */
export function printsOf({ prints, only = [] }: Pick<Ink, 'prints' | 'only'>): string[] {
  return [...prints, ...only.map(({ motif, colour }) => `${colour} ${motif}`)];
}

/** Finds the ink that prints a colour of the artwork: the one for it in that motif alone where there is one, else the one for it everywhere. */
export function printerOf(inks: readonly Ink[]): (colour: Hex, motif?: string) => Ink | undefined {
  const printers = new Map(inks.flatMap((ink) => printsOf(ink).map((print) => [print, ink] as const)));
  const isSplit = inks.some(({ only }) => only && only.length > 0);
  return (colour, motif) => (isSplit && printers.get(`${colour} ${motif ?? ''}`)) || printers.get(colour);
}
