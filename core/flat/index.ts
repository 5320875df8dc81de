/** Products that lie flat, as shapes. Apart from the try-ons, which need no SVG to be shown. */
export * from './flatSvg.ts';
