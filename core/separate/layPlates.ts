import { channels, type Hex } from '../colour/index.ts';

/** A plate and the colour that it is printed in. */
export interface LaidPlate {
  readonly colour: Hex;
  /** How much of each pixel is printed, 0 to 255. */
  readonly shades: Uint8Array;
}

/** Lays plates over each other in printing order, each opaque. @returns RGBA, transparent where nothing is printed */
export function layPlates(plates: readonly LaidPlate[], count: number): Uint8ClampedArray<ArrayBuffer> {
  const out = new Uint8ClampedArray(4 * count);
  const colours = plates.map(({ colour }) => channels(colour));
  for (let at = 0; at < count; at++) {
    let [red, green, blue, paper] = [0, 0, 0, 1];
    for (let n = 0; n < plates.length; n++) {
      const shade = ((plates[n] as LaidPlate).shades[at] as number) / 255;
      if (shade === 0) continue;
      const [r, g, b] = colours[n] as readonly [number, number, number];
      // Within a pixel plates lie beside each other as long as there is paper left, and then over what is there.
      const over = Math.max(0, shade - paper);
      const kept = paper < 1 ? 1 - over / (1 - paper) : 1;
      red = red * kept + r * shade;
      green = green * kept + g * shade;
      blue = blue * kept + b * shade;
      paper = Math.max(0, paper - shade);
    }
    const inked = 1 - paper;
    if (inked === 0) continue;
    out[4 * at] = red / inked;
    out[4 * at + 1] = green / inked;
    out[4 * at + 2] = blue / inked;
    out[4 * at + 3] = 255 * inked;
  }
  return out;
}
