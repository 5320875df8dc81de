import { colourwayOf, type Design } from '../document/index.ts';

/** The design with a colourway as its base, in which it is painted, saved and exported; the same where it is the base already. */
export function withBase(design: Design, colourway: string | undefined): Design {
  const base = colourwayOf(design, colourway);
  if (base === design.colourways[0]) return design;
  return { ...design, colourways: [base, ...design.colourways.filter(({ id }) => id !== base.id)] };
}
