/** The artwork of drawings made by hand. */
export * from './drawnArtwork.ts';
export * from './strokeNodes.ts';
