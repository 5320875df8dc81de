import { bestFractions } from './bestFractions.ts';
import { pixelMultiples } from './pixelFit.ts';
import { proportionOf, type SteppedCell } from './symmetryOps.ts';
import { tileOf } from './tile.ts';

/** A tile of whole pixels, and by how many percent its proportions are off. */
export interface TileSize {
  readonly width: number;
  readonly height: number;
  readonly percent: number;
}

/**
 * The tiles of whole pixels whose proportions come nearer to those of a repeat than any smaller ones, smallest first. A hexagonal lattice has no
 * tile that keeps them exactly, since they hold the root of three; of other repeats there is nothing to choose.
 *
 * @param mostWidth of the tile, pixels
 */
export function tileSizes(repeat: SteppedCell, mostWidth: number): TileSize[] {
  const proportion = proportionOf(repeat.step);
  if (proportion === undefined || proportion === 1) return [];
  const { width: across, height: down } = pixelMultiples(repeat.step);
  const wide = tileOf({ width: across, height: down, step: repeat.step }).width;
  return bestFractions((proportion * across) / down, Math.floor(mostWidth / wide))
    .filter(({ p }) => p > 0)
    .map(({ p, q }) => {
      const { width, height } = tileOf({ width: q * across, height: p * down, step: repeat.step });
      return { width, height, percent: 100 * Math.abs((p * down) / (q * across) / proportion - 1) };
    });
}
