import { formatLength, type LengthUnit } from '../units/index.ts';
import type { Repeat } from './repeat.ts';
import type { Step } from './step.ts';
import { isFolded } from './symmetryOps.ts';

const MIRRORED = {
  columns: 'columns mirrored',
  rows: 'rows mirrored',
  both: 'mirrored both ways',
  'chess-across': 'mirrored left to right like a chessboard',
  'chess-down': 'mirrored top to bottom like a chessboard',
  glides: 'glide reflections',
  'columns-turned': 'columns mirrored, rows turned',
  'rows-turned': 'rows mirrored, columns turned',
  p4m: 'half squares mirrored on every side',
  p4g: 'half squares turned and mirrored',
  p3m1: 'triangles mirrored on every side',
  p31m: 'kites turned and mirrored',
  p6m: 'narrow triangles mirrored on every side',
} as const;
const ROTATED = {
  half: 'half turns',
  quarter: 'quarter turns',
  third: 'rhombi turned by thirds',
  sixth: 'triangles turned by sixths',
} as const;

/** `half-drop`, or `drop of 1/3` where the fraction is another; `square, columns mirrored`; of cells that are no rectangles those alone. */
export function stepText({ mirrored, rotated, ...rest }: Step): string {
  const symmetry = symmetryText({ mirrored, rotated });
  if (isFolded({ mirrored, rotated })) return symmetry ?? '';
  return symmetry ? `${plainText(rest)}, ${symmetry}` : plainText(rest);
}

/** `columns mirrored`; undefined of a step that leaves its cells as they are. */
export function symmetryText({ mirrored, rotated }: Pick<Step, 'mirrored' | 'rotated'>): string | undefined {
  return mirrored ? MIRRORED[mirrored] : rotated && ROTATED[rotated];
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
