/** The figures of the builder, and how outlines become one. */
export * from './combine.ts';
export * from './fade.ts';
export * from './figure.ts';
export * from './figures.ts';
export * from './lettering.ts';
export * from './shapeArtwork.ts';
export * from './variations.ts';
