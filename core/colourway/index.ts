/** Inks and colourways worked on as a whole: locked, merged and split, proposed anew, compared where they touch. */
export * from './contrast.ts';
export * from './fillFromPalette.ts';
export * from './groundEdits.ts';
export * from './inkEdges.ts';
export * from './inkEdits.ts';
export * from './inkUse.ts';
export * from './newColourway.ts';
export * from './proposals.ts';
export * from './propose.ts';
export * from './reduceInks.ts';
export * from './withBase.ts';
