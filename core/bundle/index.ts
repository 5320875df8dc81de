/** Several motifs as one. */
export * from './arrayParts.ts';
export * from './bundleArtwork.ts';
export * from './partsAbout.ts';
export * from './loosen.ts';
export * from './openBundle.ts';
export * from './replacePlacements.ts';
export * from './sideBySide.ts';
