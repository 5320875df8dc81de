/** The fraction p/q of the cell by which the next column drops or the next row shifts; lowest terms, 0 <= p < q. */
export interface Fraction {
  readonly p: number;
  readonly q: number;
}

/** The largest denominator: a slanted lattice comes near to any angle by a tile of a hundred cells. */
export const LARGEST_DENOMINATOR = 100;
/** The largest of those that are listed: a tile of twelve cells is as long as any printer asks for. */
const LARGEST_LISTED = 12;

/** The greatest common divisor of two whole numbers of at least 0; that of 0 and a number is the number. */
export function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}

/** p/q in lowest terms with 0 <= p < q, since a whole cell's drop is no drop. @throws RangeError unless both are whole and q is at least 1 */
export function fraction(p: number, q: number): Fraction {
  if (!Number.isInteger(p) || !Number.isInteger(q) || q < 1) {
    throw new RangeError(`a fraction needs whole numbers and q of at least 1, got ${p}/${q}`);
  }
  const within = ((p % q) + q) % q;
  const by = greatestCommonDivisor(q, within);
  return { p: within / by, q: q / by };
}

/** All fractions strictly between 0 and 1 with q up to twelve, by size. */
export function everyFraction(): Fraction[] {
  const all: Fraction[] = [];
  for (let q = 2; q <= LARGEST_LISTED; q += 1) {
    for (let p = 1; p < q; p += 1) {
      if (greatestCommonDivisor(q, p) === 1) all.push({ p, q });
    }
  }
  return all.sort((a, b) => a.p / a.q - b.p / b.q);
}
