/** Steps, the lattices and symmetry operations they make, and how they come out in whole pixels. */
export * from './closingWaves.ts';
export * from './edgeReflections.ts';
export * from './fraction.ts';
export * from './fractions.ts';
export * from './hexagon.ts';
export * from './honeycomb.ts';
export * from './instances.ts';
export * from './lattice.ts';
export * from './pixelFit.ts';
export * from './repeat.ts';
export * from './repeatText.ts';
export * from './shortBasis.ts';
export * from './step.ts';
export * from './steps/index.ts';
export type { Mirroring, StepKind, StepRotation } from './steps/stepKind.ts';
export * from './symmetry.ts';
export * from './symmetryOps.ts';
export * from './tile.ts';
