import { formatCss, formatHsl, formatRgb, parse } from 'culori/fn';
import { hexOfOklch, isInSrgb } from './gamut.ts';
import { type Hex, readHex } from './hex.ts';
import { toHsl, toLab, toOklch } from './spaces.ts';

/** A colour as it was typed or pasted. */
export interface ReadColour {
  readonly hex: Hex;
  /** Whether it lies outside sRGB, so that `hex` has less chroma than was asked for. */
  readonly isOutside: boolean;
}

/** Reads a colour in any notation of CSS Color 4 that this names: hex with or without its hash, rgb(), hsl(), oklch(), oklab(), lab(), lch(), or a name. */
export function readColour(text: string): ReadColour | undefined {
  const hex = readHex(text);
  if (hex) return { hex, isOutside: false };
  const parsed = parse(text.trim().toLowerCase());
  // A colour that lets others through is none that an ink can have.
  if (!parsed || (parsed.alpha !== undefined && parsed.alpha < 1)) return undefined;
  const { l = 0, c = 0, h = 0 } = toOklch(parsed);
  if (![l, c, h].every(Number.isFinite)) return undefined;
  return { hex: hexOfOklch({ l, c, h }), isOutside: !isInSrgb({ l, c, h }) };
}

/** The notations that a colour is shown in. */
export const COLOUR_NOTATIONS = ['hex', 'rgb', 'hsl', 'oklch', 'lab'] as const;
export type ColourNotation = (typeof COLOUR_NOTATIONS)[number];

const round = (value: number, places: number): number => Number(value.toFixed(places));

const WRITERS: { readonly [K in ColourNotation]: (hex: Hex) => string } = {
  hex: (hex) => hex.toUpperCase(),
  rgb: (hex) => formatRgb(hex) ?? hex,
  hsl(hex) {
    const { h = 0, s, l } = toHsl(hex) ?? { s: 0, l: 0 };
    return formatHsl({ mode: 'hsl', h: round(h, 1), s: round(s, 3), l: round(l, 3) }) ?? hex;
  },
  oklch(hex) {
    const { l, c, h = 0 } = toOklch(hex) ?? { l: 0, c: 0 };
    return formatCss({ mode: 'oklch', l: round(l, 5), c: round(c, 5), h: round(h, 3) }) ?? hex;
  },
  lab(hex) {
    const { l, a, b } = toLab(hex) ?? { l: 0, a: 0, b: 0 };
    return formatCss({ mode: 'lab', l: round(l, 3), a: round(a, 3), b: round(b, 3) }) ?? hex;
  },
};

/** A colour in a notation, so exactly that reading it again gives the same hex digits. */
export function writeColour(hex: Hex, notation: ColourNotation): string {
  return WRITERS[notation](hex);
}
