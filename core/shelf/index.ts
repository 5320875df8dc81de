/** Shelves of inks that any design can use: kept, and lifted from pictures. */
export * from './liftPalette.ts';
export * from './shelf.ts';
