import type { Design } from '../design.ts';
import { CommandError } from './commandKind.ts';

/** @throws CommandError where the design has no such ink */
export function requireInk(design: Design, ink: string): void {
  if (!design.inks.some(({ id }) => id === ink)) throw new CommandError(`there is no ink ${ink}`);
}
