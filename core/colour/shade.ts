import { hexOfOklch, oklchOf } from './gamut.ts';
import type { Hex } from './hex.ts';

/** How much darker a shade is, or how much lighter on the dark (lightness in OKLCH). */
const SHADE = 0.16;
const DARK = 0.45;

/** A shade of a colour that shows on it. */
export function shadeOf(hex: Hex): Hex {
  const { l, c, h } = oklchOf(hex);
  return hexOfOklch({ l: l > DARK ? l - SHADE : l + SHADE, c, h });
}
