/** Pictures made to repeat: laid by what a step does to its cells, turned inside out, or cut and joined by themselves; and whether they do. */
export { frameAxes } from './frameAxes.ts';
export { type FrameSeams, frameSeams } from './frameSeams.ts';
export type { JoinVisibility } from './joinVisibility.ts';
export { LiveTile } from './liveTile.ts';
export * from './makeTile.ts';
export * from './ownRepeat.ts';
export { type PixelCell, windowOf } from './pixelCell.ts';
export * from './seamCheck.ts';
export * from './tileError.ts';
