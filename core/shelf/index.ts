/** Shelves of inks that any design can use: kept, read and written as files, lifted from pictures. */
export * from './liftPalette.ts';
export * from './readShelf.ts';
export * from './shelf.ts';
export * from './shelfFormats.ts';
