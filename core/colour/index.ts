/** Colours as documents hold them. */
export * from './hex.ts';
export * from './colourName.ts';
