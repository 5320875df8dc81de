import { LARGEST_CELL_MM, proportionOf, type Repeat, SMALLEST_CELL_MM } from '../lattice/index.ts';

/**
 * The repeat, in its proportions, so large that a number of cells lie side by side across a width. Its module, if it has one,
 * is let go, since the width says what the cell has to be.
 *
 * @param width mm
 * @param count of cells, at least 1
 * @returns undefined where the cell would be smaller or larger than one can be
 */
export function repeatAcross({ module: _, ...repeat }: Repeat, width: number, count: number): Repeat | undefined {
  const wide = width / count;
  const proportion = proportionOf(repeat.step);
  const high = proportion === undefined ? (repeat.height * wide) / repeat.width : wide * proportion;
  const isPossible = [wide, high].every((side) => side >= SMALLEST_CELL_MM && side <= LARGEST_CELL_MM);
  return isPossible ? { ...repeat, width: wide, height: high } : undefined;
}
