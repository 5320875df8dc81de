/** Designs taken apart into one plate for each ink, for screen and block printing. */
export * from './inkShares.ts';
export * from './layPlates.ts';
export * from './measurePlates.ts';
export * from './plateInks.ts';
export * from './separate.ts';
export * from './separationOrder.ts';
export type { PlateSource } from './paintPlate.ts';
