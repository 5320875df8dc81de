/** SVG in and out: other people's drawings made safe, resolved and read as artwork, and artwork written. */
export * from './cleanSvg.ts';
export { type KeptPicture, type PartRequest, type SvgSources, Unsupported } from './svgContext.ts';
export type { KnownFonts, ReplacedFont } from './svgFonts.ts';
export type { Embedded } from './svgPictures.ts';
export * from './readSvg.ts';
export { readTile, type SvgTile } from './readTile.ts';
export * from './svgSize.ts';
export * from './writeSvg.ts';
export * from './xmlTree.ts';
