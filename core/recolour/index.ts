/** Pictures as mixtures of a few inks, so that they follow when an ink changes. */
export * from './mixing.ts';
export { paletteTable, type PaletteTable } from './paletteTable.ts';
export * from './recolour.ts';
