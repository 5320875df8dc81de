/**
 * How colours meet those below: the separable modes of the W3C's Compositing and Blending, which both painting engines
 * have. In print, multiplying is what one translucent ink over another does.
 */
export const BLENDS = [
  'normal',
  'multiply',
  'screen',
  'darken',
  'lighten',
  'overlay',
  'soft-light',
  'hard-light',
  'difference',
  'exclusion',
] as const;

export type Blend = (typeof BLENDS)[number];

/** The name that a Canvas knows it by. */
export function compositeOf(blend: Blend): string {
  return blend === 'normal' ? 'source-over' : blend;
}
