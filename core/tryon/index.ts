/** A swatch on a product: faces, how cloth is seen on them, and the picture of both. */
export * from './dress.ts';
export { type Face, faceMap } from './face/index.ts';
export * from './followEdit.ts';
export * from './layPlan.ts';
export { FULL, TO_LINEAR } from './linearLight.ts';
export * from './nearestMotif.ts';
export * from './outlineProduct.ts';
export * from './paintTile.ts';
export * from './patternMatrix.ts';
export * from './photoProduct.ts';
export * from './pieceMask.ts';
export * from './product.ts';
export { pyramidOf } from './pyramid.ts';
export * from './rolls.ts';
export * from './stage.ts';
export * from './tryOn.ts';
export * from './wallProduct.ts';
