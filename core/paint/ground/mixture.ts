import { channels, type Hex, toOklab, toRgb } from '../../colour/index.ts';
import type { Mixing } from '../../recolour/index.ts';

/** Red, green and blue, 0 to 255, not rounded. */
export type Channels = readonly [number, number, number];

/** What a share of one colour in another looks like, as a function of the share, 0 to 1. */
export function mixer(from: Hex, to: Hex, mixing: Mixing): (share: number) => Channels {
  const [first, last] = [channels(from), channels(to)];
  if (mixing === 'nearest') return (share) => (share < 0.5 ? first : last);
  if (mixing === 'shares')
    return (share) => [0, 1, 2].map((n) => between(first, last, n, share)) as unknown as Channels;
  const [a, b] = [labOf(from), labOf(to)];
  return (share) => {
    // Either end is the ink to the digit.
    if (share <= 0) return first;
    if (share >= 1) return last;
    const at = (key: 'l' | 'a' | 'b'): number => a[key] + share * (b[key] - a[key]);
    const { r, g, b: blue } = toRgb({ mode: 'oklab', l: at('l'), a: at('a'), b: at('b') });
    return [r, g, blue].map((channel) => 255 * Math.min(1, Math.max(0, channel))) as unknown as Channels;
  };
}

function between(first: Channels, last: Channels, n: number, share: number): number {
  const from = first[n] as number;
  return from + share * ((last[n] as number) - from);
}

function labOf(hex: Hex): { l: number; a: number; b: number } {
  const { l = 0, a = 0, b = 0 } = toOklab(hex) ?? {};
  return { l, a, b };
}

/** Steps of a table of mixtures: the last one is the second colour. */
export const STEPS = 255;

/** Mixtures of two colours by share: red, green and blue of 0/255, 1/255 and so on, rounded. */
export function mixtures(from: Hex, to: Hex, mixing: Mixing): Uint8ClampedArray {
  const mix = mixer(from, to, mixing);
  const table = new Uint8ClampedArray(3 * (STEPS + 1));
  for (let n = 0; n <= STEPS; n++) table.set(mix(n / STEPS), 3 * n);
  return table;
}

/** Writes a mixture as an opaque pixel. @param step of the table, 0 to 255 */
export function putMixture(out: Uint8ClampedArray, at: number, table: Uint8ClampedArray, step: number): void {
  const from = 3 * step;
  out[at] = table[from] as number;
  out[at + 1] = table[from + 1] as number;
  out[at + 2] = table[from + 2] as number;
  out[at + 3] = 255;
}
