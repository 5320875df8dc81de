/** Artwork, what is known of a motif, silhouettes, paths and SVG. */
export * from './artwork.ts';
export * from './drawnMotif.ts';
export * from './mergeInks.ts';
export * from './motif.ts';
export * from './pathData.ts';
export * from './silhouette.ts';
export * from './svg/cleanSvg.ts';
export { Unsupported } from './svg/readPaint.ts';
export * from './svg/readSvg.ts';
export * from './svg/svgSize.ts';
export * from './svg/writeSvg.ts';
export * from './svg/xmlTree.ts';
