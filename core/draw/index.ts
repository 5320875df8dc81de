/** Drawing by hand: strokes, what a brush leaves of them, where they are seen; areas; and the points of paths. */
export { closely } from './closely.ts';
export { contourLoops } from './contourLoops.ts';
export type { FilledLoops } from './coverage.ts';
export * from './drawingSymmetry.ts';
export * from './drawnStroke.ts';
export * from './editKnots.ts';
export { fillRegion, type FoundRegion } from './fillRegion.ts';
export * from './groupStrokes.ts';
export * from './instancesIn.ts';
export * from './maskAreas.ts';
export * from './pathKnots.ts';
export * from './penPath.ts';
export * from './penPoint.ts';
export * from './strokeBox.ts';
export * from './strokeOutline.ts';
export * from './strokePaint.ts';
export * from './strokesAt.ts';
