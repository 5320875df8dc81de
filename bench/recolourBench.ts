import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { PAINTED } from '../demo/collection.ts';
import type { Hex } from '../core/colour/index.ts';
import { paletteTable, recolour } from '../core/recolour/index.ts';

/** Times in ms. */
export interface RecolourTimings {
  /** The first time, when the weights of its colours are found. */
  readonly first: number;
  readonly recolour: number;
  /** Copying the same pixels. */
  readonly copy: number;
}

const SIDE = 1000;
const TIMES = 5;

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

/** The shortest of a few times, ms: what a busy machine adds is left out. */
function fastest(work: () => unknown): number {
  const times = Array.from({ length: TIMES }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  });
  return Math.min(...times);
}
