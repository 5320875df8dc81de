/** What the workshop does to pixels. */
export * from './clean.ts';
export * from './connectedComponents.ts';
export * from './cut.ts';
export * from './evenLight.ts';
export * from './findTilt.ts';
export * from './inksIn.ts';
export * from './levels.ts';
export * from './orient.ts';
export * from './paper.ts';
export * from './pixelImage.ts';
export * from './specks.ts';
export * from './trace.ts';
