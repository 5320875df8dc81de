/** What a print house prints, on which cloths; whether an order fits that; and what its cloths do to a picture. */
export * from './checkPrint.ts';
export * from './houseBehaviour.ts';
export * from './printCloth.ts';
export * from './printRules.ts';
export * from './strikeOff.ts';
export * from './weave.ts';
