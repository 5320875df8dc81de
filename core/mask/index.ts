/** Artwork of which a part is hidden. */
export * from './maskedArtwork.ts';
