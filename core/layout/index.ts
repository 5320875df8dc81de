/** Rows and grids by recipe. */
export * from './applyLayout.ts';
export * from './layGrid.ts';
export * from './layRow.ts';
export * from './rowOffers.ts';
export * from './superlattice.ts';
