import { type Screen, screenRows } from './screenPlate.ts';

/** A plate and the screen that its shades are turned into; none where it has no shades to speak of. */
export interface ScreenedPlate {
  /** How much of each pixel is printed, 0 to 255. */
  readonly shades: Uint8Array;
  readonly screen: Screen | undefined;
}

/** From this on a pixel is printed by one plate alone. */
const PURE = 250;

/**
 * Turns plates of shades into plates that print a pixel or do not.
 *
 * Where inks meet, each pixel goes to the plate that covers most of it, the last of them where several do: so that no
 * paper shows between plates and none prints over another. Elsewhere shades become dots or lines.
 *
 * @returns 0 or 255 for each pixel of each plate
 */
export function flattenPlates(plates: readonly ScreenedPlate[], width: number, height: number): readonly Uint8Array[] {
  const count = width * height;
  const most = mostCovering(plates, count);
  const printed = plates.map(() => new Uint8Array(count));
  const thresholds = plates.map(({ screen }) => screen && screenRows(screen, width, height));
  for (let y = 0; y < height; y++) {
    const rows = thresholds.map((rowOf) => rowOf?.(y));
    for (let x = 0; x < width; x++) {
      const at = y * width + x;
      const isEdge = isAtEdge(plates, most, at, x, y, width, height);
      for (const [n, { shades }] of plates.entries()) {
        const shade = shades[at] as number;
        const row = rows[n];
        const prints = row && !isEdge ? shade > (row[x] as number) : most[at] === n + 1;
        if (prints) (printed[n] as Uint8Array)[at] = 255;
      }
    }
  }
  return printed;
}

/** The plate that covers most of each pixel, counted from 1; 0 where that is paper. */
function mostCovering(plates: readonly ScreenedPlate[], count: number): Uint16Array {
  const best = new Uint16Array(count);
  for (let at = 0; at < count; at++) {
    let total = 0;
    let most = 0;
    for (const [n, { shades }] of plates.entries()) {
      const shade = shades[at] as number;
      total += shade;
      if (shade > 0 && shade >= most) [most, best[at]] = [shade, n + 1];
    }
    if (255 - total > most) best[at] = 0;
  }
  return best;
}

/** Whether a pixel that several inks share lies beside one that a single ink, or none, has for itself. */
function isAtEdge(
  plates: readonly ScreenedPlate[],
  most: Uint16Array,
  at: number,
  x: number,
  y: number,
  width: number,
  height: number,
): boolean {
  const isPure = (place: number): boolean => {
    const label = most[place] as number;
    if (label > 0) return ((plates[label - 1] as ScreenedPlate).shades[place] as number) >= PURE;
    return plates.every(({ shades }) => (shades[place] as number) <= 255 - PURE);
  };
  if (isPure(at)) return true;
  const left = x === 0 ? at + width - 1 : at - 1;
  const right = x === width - 1 ? at - width + 1 : at + 1;
  const above = y === 0 ? at + (height - 1) * width : at - width;
  const below = y === height - 1 ? at - (height - 1) * width : at + width;
  return isPure(left) || isPure(right) || isPure(above) || isPure(below);
}
