/** Shelves of inks as files: CSV, design tokens, CSS and SVG. */
export * from './readShelf.ts';
export * from './shelfFormats.ts';
