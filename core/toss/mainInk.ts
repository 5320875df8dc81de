import { channels, type Hex } from '../colour/index.ts';

/** The ink nearest to most of a motif's pixels; none where it has no inks. @param pixels RGBA */
export function mainInk(pixels: Uint8ClampedArray, inks: readonly Hex[]): string {
  const colours = inks.map(channels);
  const counts = inks.map(() => 0);
  for (let i = 0; i < pixels.length; i += 4) {
    if ((pixels[i + 3] as number) < 128) continue;
    let [best, least] = [-1, Infinity];
    colours.forEach(([r, g, b], n) => {
      const distance =
        ((pixels[i] as number) - r) ** 2 + ((pixels[i + 1] as number) - g) ** 2 + ((pixels[i + 2] as number) - b) ** 2;
      if (distance < least) [best, least] = [n, distance];
    });
    if (best >= 0) counts[best] = (counts[best] ?? 0) + 1;
  }
  return inks[counts.indexOf(Math.max(0, ...counts))] ?? '';
}
