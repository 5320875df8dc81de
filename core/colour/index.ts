/** Colours as documents hold them, their names, and the spaces in which they are compared. */
export * from './hex.ts';
export * from './colourName.ts';
export * from './nearColour.ts';
export * from './spaces.ts';
