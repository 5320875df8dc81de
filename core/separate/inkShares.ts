import { paintingAlpha, paintingPictures, paintingPlate, type PlateSource } from './paintPlate.ts';

/** How much of a tile is covered, as its plates would print it; shares of the tile, 0 to 1. */
export interface InkShares {
  /** By each ink of the design, in their order; what is half transparent counts half. Inks that multiply count beside those below. */
  readonly inks: readonly number[];
  /** By pictures that are not made of inks. */
  readonly pictures: number;
  /** By anything. */
  readonly covered: number;
}

/** Measures how much of a tile each ink covers. Softened edges and lines thinner than a pixel count by how much of it they cover. */
export function measureShares(source: PlateSource): InkShares {
  return {
    inks: source.design.inks.map(({ id }) => meanOf(paintingPlate(id, source))),
    pictures: meanOf(paintingPictures(source)),
    covered: meanOf(paintingAlpha(source)),
  };
}

function meanOf(painting: Generator<number, Uint8Array>): number {
  let step = painting.next();
  while (!step.done) step = painting.next();
  return step.value.reduce((sum, shade) => sum + shade, 0) / (255 * step.value.length);
}
