import type { TEXTURES } from '../../document/index.ts';
import type { Box } from '../../geometry/index.ts';
import type { PixelGrid } from '../../lattice/index.ts';
import { mixtures, putMixture, STEPS } from './mixture.ts';
import type { PatternedScene, TexturedScene } from './sceneGround.ts';
import { addStrokes, type Strokes } from './strokeField.ts';

/** What a texture is made of: strokes in one direction, and perhaps in another. */
const STROKES: Readonly<Record<(typeof TEXTURES)[number], readonly Strokes[]>> = {
  // Threads of warp and weft, thick and thin by turns.
  linen: [
    { length: 11, width: 0.34, angle: 90, spread: 0.4, every: { x: 0.34, y: 4 } },
    { length: 11, width: 0.34, angle: 0, spread: 0.4, every: { x: 4, y: 0.34 } },
  ],
  // The close lines of the mould's wires, and fibres.
  laid: [
    { length: 60, width: 0.9, angle: 0, spread: 0.05, every: { x: 16, y: 1.1 } },
    { length: 1.6, width: 0.3, angle: 0, spread: 90, every: { x: 0.8, y: 0.8 } },
  ],
  grain: [{ length: 0.55, width: 0.55, angle: 0, spread: 0, every: { x: 0.38, y: 0.38 } }],
  brush: [
    { length: 34, width: 0.7, angle: 0, spread: 2.5, every: { x: 8, y: 0.5 } },
    { length: 90, width: 7, angle: 0, spread: 4, every: { x: 24, y: 5 } },
  ],
};

/** Marks cover half of the ground, and from none to all of it within so many standard deviations. */
const CONTRAST = 0.28;

/** Keeps how much of each pixel is marks, so that a change of colour computes nothing else. */
export interface KeptShares {
  /** What is kept under the key, or what `compute` gives, which is kept from then on. */
  shares(key: string, compute: () => Uint8Array): Uint8Array;
}

/**
 * A texture: a sum of strokes, and by it a mixture of the ground and its marks.
 *
 * @returns paints a part of the lattice's upright domain, RGBA
 */
export function textureRows(
  { texture, colours, scale, strength, seed, mixing }: TexturedScene & Pick<PatternedScene, 'mixing'>,
  grid: PixelGrid,
  kept?: KeptShares,
): (part: Box) => Uint8ClampedArray {
  const table = mixtures(...colours, mixing);
  const kinds = STROKES[texture].map((strokes) => scaled(strokes, scale));
  const sharesOf = (part: Box): Uint8Array => {
    const values = new Float32Array((part.right - part.left) * (part.bottom - part.top));
    for (const [n, strokes] of kinds.entries()) addStrokes(strokes, seed + n * 1_000_003, grid, part, values);
    const gain = CONTRAST / Math.sqrt(kinds.length);
    const shares = new Uint8Array(values.length);
    for (let n = 0; n < values.length; n++)
      shares[n] = Math.round(STEPS * strength * Math.min(1, Math.max(0, 0.5 + gain * (values[n] as number))));
    return shares;
  };
  const { a, b, domain } = grid.lattice;
  const place = [texture, scale, strength, seed, a, b, domain, grid.scaleX, grid.scaleY];
  return (part) => {
    const compute = (): Uint8Array => sharesOf(part);
    const shares = kept ? kept.shares(`texture ${JSON.stringify([place, part])}`, compute) : compute();
    const out = new Uint8ClampedArray(4 * shares.length);
    for (let n = 0; n < shares.length; n++) putMixture(out, 4 * n, table, shares[n] as number);
    return out;
  };
}

function scaled(strokes: Strokes, by: number): Strokes {
  const { length, width, every } = strokes;
  return { ...strokes, length: length * by, width: width * by, every: { x: every.x * by, y: every.y * by } };
}
