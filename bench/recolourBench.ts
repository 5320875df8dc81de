import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { PAINTED } from '../demo/collection.ts';
import type { Hex } from '../core/colour/index.ts';
import { paletteTable, recolour } from '../core/recolour/index.ts';
import { fastest } from './fastest.ts';

/** Times in ms. */
export interface RecolourTimings {
  /** The first time, when the weights of its colours are found. */
  readonly first: number;
  readonly recolour: number;
  /** Copying the same pixels. */
  readonly copy: number;
}

const SIDE = 1000;

/** The painted sample as a megapixel, in other inks. */
export async function recolourTimings(): Promise<RecolourTimings> {
  const [motif] = PAINTED;
  if (!motif) throw new Error('there is no painted sample');
  const file = fileURLToPath(new URL(`../demo/motifs/${motif.id}.png`, import.meta.url));
  const pixels = new Uint8ClampedArray(await sharp(file).resize(SIDE, SIDE).ensureAlpha().raw().toBuffer());
  const inks: Hex[] = motif.palette.map((_, n) => motif.palette[(n + 1) % motif.palette.length] as Hex);
  const table = paletteTable(motif.palette);
  const began = performance.now();
  recolour(new Uint8ClampedArray(pixels), table, inks);
  return {
    first: performance.now() - began,
    recolour: fastest(() => recolour(new Uint8ClampedArray(pixels), table, inks)),
    copy: fastest(() => new Uint8ClampedArray(pixels)),
  };
}
