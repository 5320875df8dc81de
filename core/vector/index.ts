/** The cloth as vectors: any part of it as SVG, as an SVG pattern, or as a drawing that other writers go through. */
export * from './clothDrawing.ts';
export * from './clothSvg.ts';
export * from './swatchRule.ts';
