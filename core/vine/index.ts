/** Vines: lines without an end that repeat along a lattice vector, with branches and leaves. */
export * from './branchOutline.ts';
export * from './drawnVine.ts';
export * from './periodicSpline.ts';
export * from './vineArtwork.ts';
export * from './vineCrossings.ts';
export * from './vineCurve.ts';
export * from './vineFrames.ts';
export * from './vineOutline.ts';
export * from './vineParts.ts';
