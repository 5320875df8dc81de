/** Artwork, what is known of a motif, silhouettes and paths. */
export * from './artwork.ts';
export * from './artworkFault.ts';
export * from './flattenPath.ts';
export { artworkBounds, clipBounds, fadedBounds, GAUSSIAN_REACH, outlineBounds, unionOf } from './artworkBounds.ts';
export * from './drawnMotif.ts';
export * from './mergeInks.ts';
export * from './motif.ts';
export * from './movedPaths.ts';
export * from './pathData.ts';
export * from './pen.ts';
export * from './silhouette.ts';
export * from './transformPath.ts';
