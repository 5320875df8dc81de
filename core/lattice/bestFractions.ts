/** A fraction of any size, in lowest terms. */
export interface Ratio {
  readonly p: number;
  readonly q: number;
}

/**
 * The fractions that come nearer to a value than every fraction with a smaller denominator, coarsest first: for √3 2/1, 3/2, 5/3, 7/4 and so on to 97/56.
 * They are met on the way down the Stern–Brocot tree, whose turns are the convergents of the continued fraction.
 *
 * @param value at least 0
 * @param most the largest denominator
 * @throws RangeError where the value is no number of at least 0
 */
export function bestFractions(value: number, most: number): Ratio[] {
  if (!(value >= 0 && value < Infinity))
    throw new RangeError(`fractions are found for numbers of at least 0, got ${value}`);
  const whole = Math.floor(value);
  let below: Ratio = { p: whole, q: 1 };
  let above: Ratio = { p: whole + 1, q: 1 };
  const off = ({ p, q }: Ratio): number => Math.abs(p / q - value);
  const best = [off(below) <= off(above) ? below : above];
  let least = off(best[0] as Ratio);
  while (least > 0) {
    const between: Ratio = { p: below.p + above.p, q: below.q + above.q };
    if (between.q > most) break;
    if (off(between) < least) {
      best.push(between);
      least = off(between);
    }
    if (between.p / between.q < value) below = between;
    else above = between;
  }
  return best;
}
