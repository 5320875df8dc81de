/** Picking, frames, snapping, aligning, copies, layers and the stacking order. */
export * from './align.ts';
export * from './copies.ts';
export * from './duplicate.ts';
export * from './fitCell.ts';
export * from './frame.ts';
export * from './layers.ts';
export * from './matchSize.ts';
export * from './overlaps.ts';
export * from './pick.ts';
export * from './resizeCell.ts';
export * from './restack.ts';
export * from './selectInLasso.ts';
export * from './selectSimilar.ts';
export * from './snap.ts';
export * from './takeArrangement.ts';
export * from './transformPlacements.ts';
export * from './varyPlacements.ts';
