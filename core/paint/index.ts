/** The one painter, and how the cloth and files are planned. */
export * from './canvasBackend.ts';
export * from './clothDepth.ts';
export * from './clothPlan.ts';
export { fadedShapes } from './cutLayer.ts';
export * from './ground/index.ts';
export * from './layCell.ts';
export * from './paintArtwork.ts';
export * from './paintPlane.ts';
export * from './paintSeparately.ts';
export * from './picture.ts';
export * from './pictureDifference.ts';
export * from './reduceTile.ts';
export * from './scene.ts';
export * from './sprite.ts';
export * from './spriteCache.ts';
export type { Pixels } from './pixels.ts';
