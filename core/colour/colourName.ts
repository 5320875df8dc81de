import type { Hex } from './hex.ts';
import { toOklch } from './spaces.ts';

/** Hues of OKLCH in degrees, and where each ends. */
const HUES: readonly (readonly [end: number, name: string])[] = [
  [12, 'pink'],
  [45, 'red'],
  [72, 'orange'],
  [115, 'yellow'],
  [165, 'green'],
  [210, 'teal'],
  [275, 'blue'],
  [320, 'purple'],
  [350, 'pink'],
  [360, 'pink'],
];
/** Below this chroma a colour looks grey. */
const GREY = 0.035;

/**
 * A plain English name for a colour, such as `Dark red`, `Pale blue` or `Grey`, by its lightness, chroma and hue in OKLCH
 * (Ottosson, 2020). Colours that look different can share a name.
 */
export function colourName(hex: Hex): string {
  const colour = toOklch(hex);
  const { l = 0, c = 0, h = 0 } = colour ?? {};
  if (c < GREY) {
    if (l < 0.22) return 'Black';
    if (l > 0.95) return 'White';
    return l < 0.45 ? 'Dark grey' : l > 0.78 ? 'Pale grey' : 'Grey';
  }
  const name = HUES.find(([end]) => h < end)?.[1] ?? 'pink';
  // Dark orange is called brown, dark yellow olive, and light red salmon.
  const hue =
    name === 'orange' && l < 0.6
      ? 'brown'
      : name === 'yellow' && l < 0.5
        ? 'olive'
        : name === 'red' && l > 0.68
          ? 'salmon'
          : name;
  const shade = l < 0.4 && hue !== 'brown' && hue !== 'olive' ? 'dark ' : l > 0.83 && name !== 'yellow' ? 'pale ' : '';
  const words = shade + hue;
  return words.charAt(0).toUpperCase() + words.slice(1);
}
