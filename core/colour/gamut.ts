import { formatHex, toGamut, type Color } from 'culori/fn';
import type { Hex } from './hex.ts';
import { toOklch, toRgb } from './spaces.ts';

/** A colour by what the eye tells apart: lightness 0 to 1, chroma from 0, hue in degrees (OKLCH; Ottosson, 2020). */
export interface Oklch {
  readonly l: number;
  readonly c: number;
  readonly h: number;
}

/** An eighth of a step of 8 bits: what conversions there and back add to a colour at the edge. */
const TOLERANCE = 0.0005;
// Without a just noticeable difference to spare, nothing but chroma is given up.
const reduceChroma = toGamut('rgb', 'oklch', null, 0);

/** The lightness, chroma and hue of a colour; a grey has the hue 0. */
export function oklchOf(hex: Hex): Oklch {
  const { l = 0, c = 0, h = 0 } = toOklch(hex) ?? {};
  return { l, c, h };
}

/** Whether sRGB has the colour. */
export function isInSrgb(colour: Oklch): boolean {
  const { r, g, b } = toRgb({ mode: 'oklch', ...colour });
  return [r, g, b].every((channel) => channel >= -TOLERANCE && channel <= 1 + TOLERANCE);
}

/** The colour where sRGB has it, otherwise the one of its lightness and hue with as much chroma as sRGB has there. */
export function hexOfOklch(colour: Oklch): Hex {
  return formatHex(intoSrgb(colour)) as Hex;
}

/** The colour of {@link hexOfOklch}, not rounded to 8 bits. */
export function intoSrgb({ l, c, h }: Oklch): Color {
  if (l <= 0 || l >= 1) return { mode: 'oklch', l: Math.min(1, Math.max(0, l)), c: 0 };
  const colour = { mode: 'oklch', l, c: Math.max(0, c), h } as const;
  return isInSrgb(colour) ? colour : reduceChroma(colour);
}

/** The most chroma that sRGB has at a lightness and hue, to within 0.0005. */
export function mostChroma(l: number, h: number): number {
  let [least, most] = [0, 0.4];
  while (most - least > 0.0005) {
    const c = (least + most) / 2;
    if (isInSrgb({ l, c, h })) least = c;
    else most = c;
  }
  return least;
}
