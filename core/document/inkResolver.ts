import type { Hex } from '../colour/index.ts';
import { colourwayOf, type Design } from './design.ts';
import { printerOf } from './printerOf.ts';

/** Says in which colour an artwork colour is printed, in a motif where it can be another there. */
export type InkResolver = (ink: Hex, motif?: string) => Hex;

/** The resolver of a design in a colourway, the base unless given; a colour that no ink prints stays as it was drawn. */
export function inkResolver(design: Design, colourway?: string): InkResolver {
  const { colours } = colourwayOf(design, colourway);
  const printer = printerOf(design.inks);
  return (ink, motif) => colours[printer(ink, motif)?.id ?? ''] ?? ink;
}

/** Every artwork colour as drawn. */
export const asDrawn: InkResolver = (ink) => ink;
