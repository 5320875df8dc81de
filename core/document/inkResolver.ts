import type { Hex } from '../colour/index.ts';
import { colourwayOf, type Design } from './design.ts';

/** Says in which colour an artwork colour is printed. */
export type InkResolver = (ink: Hex) => Hex;

/** The resolver of a design in a colourway, the base unless given; a colour that no ink prints stays as it was drawn. */
export function inkResolver(design: Design, colourway?: string): InkResolver {
  const { colours } = colourwayOf(design, colourway);
  const printed = new Map<Hex, Hex>();
  for (const { id, prints } of design.inks) {
    const colour = colours[id];
    if (colour) for (const ink of prints) printed.set(ink, colour);
  }
  return (ink) => printed.get(ink) ?? ink;
}

/** Every artwork colour as drawn. */
export const asDrawn: InkResolver = (ink) => ink;
