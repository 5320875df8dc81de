/** Colours as documents hold them, as they are typed, their names, and the spaces in which they are compared and changed. */
export * from './assign.ts';
export * from './colourName.ts';
export * from './gamut.ts';
export * from './hex.ts';
export * from './keepOrder.ts';
export * from './nearColour.ts';
export * from './ramp.ts';
export * from './readColour.ts';
export * from './shade.ts';
export * from './spaces.ts';
export * from './vision.ts';
