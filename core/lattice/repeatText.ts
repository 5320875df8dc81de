import { formatLength, type LengthUnit } from '../units/index.ts';
import type { Repeat } from './repeat.ts';
import type { Step } from './step.ts';

const MIRRORED = {
  columns: 'columns mirrored',
  rows: 'rows mirrored',
  both: 'mirrored both ways',
  'chess-across': 'mirrored left to right like a chessboard',
  'chess-down': 'mirrored top to bottom like a chessboard',
  glides: 'glide reflections',
  'columns-turned': 'columns mirrored, rows turned',
  'rows-turned': 'rows mirrored, columns turned',
  p4m: 'triangles mirrored on every side',
  p4g: 'triangles turned by quarters and mirrored',
  p3m1: 'equal-sided triangles mirrored on every side',
  p31m: 'kites turned by thirds and mirrored',
  p6m: 'triangles mirrored into stars of six',
} as const;
const ROTATED = {
  half: 'half turns',
  quarter: 'quarter turns',
  third: 'thirds of a turn',
  sixth: 'sixths of a turn',
} as const;

/** `half-drop`, or `drop of 1/3` where the fraction is another; `square, columns mirrored`. */
export function stepText({ mirrored, rotated, ...rest }: Step): string {
  const symmetry = mirrored ? MIRRORED[mirrored] : rotated && ROTATED[rotated];
  return symmetry ? `${plainText(rest)}, ${symmetry}` : plainText(rest);
}

function plainText({ kind, drop, honeycomb }: Step): string {
  if (honeycomb) return 'honeycomb';
  if (kind === 'square' || (drop.p === 1 && drop.q === 2)) return kind;
  return `${kind === 'brick' ? 'brick' : 'drop'} of ${drop.p}/${drop.q}`;
}

/** `240 × 320 mm half-drop`. */
export function repeatText({ width, height, step }: Repeat, unit: LengthUnit): string {
  return `${formatLength(width, unit).replace(` ${unit}`, '')} × ${formatLength(height, unit)} ${stepText(step)}`;
}
