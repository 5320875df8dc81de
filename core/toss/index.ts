/** Scattering by recipe, settling, holes. */
export * from './applyToss.ts';
export * from './circleCover.ts';
export * from './clearanceField.ts';
export * from './fill.ts';
export * from './holes.ts';
export * from './mainInk.ts';
export * from './obstacles.ts';
export * from './scatterAlong.ts';
export * from './settle.ts';
export * from './toss.ts';
export * from './tossTypes.ts';
