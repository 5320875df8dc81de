import { own } from '../schema/index.ts';
import { MM_PER_INCH } from '../units/index.ts';

/** CSS: 96 px to the inch. The unit of an SVG length, in mm. */
const SVG_UNITS: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  in: MM_PER_INCH,
  pt: MM_PER_INCH / 72,
  pc: MM_PER_INCH / 6,
  q: 0.25,
};

const PX_PER_MM = 96 / MM_PER_INCH;

/** A length of SVG in px, or undefined where it is none of its own: a share of something else, nothing, or not above 0. */
export function svgLengthPx(text: string | undefined): number | undefined {
  const px = Number(/^\s*\+?([\d.]+(?:e[-+]?\d+)?)\s*(?:px)?\s*$/i.exec(text ?? '')?.[1]);
  if (px > 0 && Number.isFinite(px)) return px;
  const mm = svgLengthMm(text);
  return mm === undefined ? undefined : mm * PX_PER_MM;
}

/**
 * The width in mm that an SVG gives itself, or undefined where it says none: bare numbers and px are pixels of no
 * particular size, and percentages are of nothing.
 */
export function svgLengthMm(text: string | undefined): number | undefined {
  const [, number, unit] = /^\s*([\d.]+(?:e[-+]?\d+)?)\s*([a-z]+)\s*$/i.exec(text ?? '') ?? [];
  const mm = Number(number) * (own(SVG_UNITS, (unit ?? '').toLowerCase()) ?? Number.NaN);
  return mm > 0 && Number.isFinite(mm) ? mm : undefined;
}
