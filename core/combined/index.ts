/** Artwork of motifs that are one shape together, or are cut by each other. */
export * from './combinedArtwork.ts';
export * from './coveredOutline.ts';
