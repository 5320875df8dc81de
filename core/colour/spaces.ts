import {
  differenceCiede2000,
  formatHex,
  modeHsl,
  modeLab,
  modeLab65,
  modeLch,
  modeLrgb,
  modeOklab,
  modeOklch,
  modeRgb,
  modeXyz50,
  modeXyz65,
  useMode,
  type Color,
} from 'culori/fn';
import type { Hex } from './hex.ts';

// Only the spaces that are needed, and those between: the whole of the package would be most of what the page fetches.
/** To sRGB, channels 0 to 1. */
export const toRgb = useMode(modeRgb);
useMode(modeLrgb);
useMode(modeXyz50);
useMode(modeXyz65);
useMode(modeLab65);

/** To HSL, and to CIELAB under D50 as CSS writes it. */
export const toHsl = useMode(modeHsl);
export const toLab = useMode(modeLab);
useMode(modeLch);

/** sRGB to OKLab (Ottosson, 2020): lightness 0 to 1, a and b about -0.4 to 0.4. */
export const toOklab = useMode(modeOklab);
/** sRGB to OKLCH: OKLab in polar coordinates, hue in degrees; a grey has no hue. */
export const toOklch = useMode(modeOklch);

/** The colour difference CIEDE2000 (ISO/CIE 11664-6) of two colours under D65: 1 is just noticeable, 100 black to white. */
export const colourDifference: (a: Hex | Color, b: Hex | Color) => number = differenceCiede2000();

/** The nearest colour of sRGB, channel by channel. */
export function hexOfOklab(l: number, a: number, b: number): Hex {
  return formatHex({ mode: 'oklab', l, a, b }) as Hex;
}

/** OKLab of channels of sRGB from 0 to 255, which need not be whole: lightness 0 to 1, a and b about -0.4 to 0.4. */
export function oklabOfChannels(r: number, g: number, b: number): readonly [number, number, number] {
  const { l, a, b: yellow } = toOklab({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 });
  return [l, a, yellow];
}

/** Channels of sRGB for a colour in OKLab; below 0 or above 255 where sRGB does not reach it. */
export function channelsOfOklab(l: number, a: number, b: number): readonly [number, number, number] {
  const { r, g, b: blue } = toRgb({ mode: 'oklab', l, a, b });
  return [255 * r, 255 * g, 255 * blue];
}
