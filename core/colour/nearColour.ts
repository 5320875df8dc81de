import type { Hex } from './hex.ts';
import { toOklab } from './spaces.ts';

type Lab = readonly [l: number, a: number, b: number];
const known = new Map<Hex, Lab>();

function labOf(hex: Hex): Lab {
  let lab = known.get(hex);
  if (!lab) {
    const { l, a, b } = toOklab(hex) ?? { l: 0, a: 0, b: 0 };
    known.set(hex, (lab = [l, a, b]));
  }
  return lab;
}

/** How far two colours are apart in OKLab: 0 for the same, 1 for black and white; below 0.02 they are hard to tell apart. */
export function oklabDistance(one: Hex, other: Hex): number {
  const [l, a, b] = labOf(one);
  const [m, c, d] = labOf(other);
  return Math.hypot(l - m, a - c, b - d);
}

/** The distance of the colour among some that is nearest to `sought`, in OKLab; infinite where there are none. */
export function nearestDistance(sought: Hex, colours: readonly Hex[]): number {
  return colours.reduce((least, colour) => Math.min(least, oklabDistance(sought, colour)), Infinity);
}
