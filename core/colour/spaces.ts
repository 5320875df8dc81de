import {
  differenceCiede2000,
  formatHex,
  modeLab65,
  modeLrgb,
  modeOklab,
  modeOklch,
  modeRgb,
  modeXyz65,
  useMode,
} from 'culori/fn';
import type { Hex } from './hex.ts';

// Only the spaces that are needed, and those between: the whole of the package would be most of what the page fetches.
useMode(modeRgb);
useMode(modeLrgb);
useMode(modeXyz65);
useMode(modeLab65);

/** sRGB to OKLab (Ottosson, 2020): lightness 0 to 1, a and b about -0.4 to 0.4. */
export const toOklab = useMode(modeOklab);
/** sRGB to OKLCH: OKLab in polar coordinates, hue in degrees; a grey has no hue. */
export const toOklch = useMode(modeOklch);

/** The colour difference CIEDE2000 (ISO/CIE 11664-6) of two colours under D65: 1 is just noticeable, 100 black to white. */
export const colourDifference: (a: Hex, b: Hex) => number = differenceCiede2000();

/** The nearest colour of sRGB, channel by channel. */
export function hexOfOklab(l: number, a: number, b: number): Hex {
  return formatHex({ mode: 'oklab', l, a, b }) as Hex;
}
