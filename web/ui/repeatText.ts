import type { Repeat, Step } from '../../core/lattice/index.ts';
import { formatLength, type LengthUnit } from '../../core/units/index.ts';
import { TEXTS } from './texts.ts';

const NAMES = { square: 'square', 'half-drop': 'half-drop', brick: 'brick' } as const;

const MIRRORED = { columns: TEXTS.columnsMirrored, rows: TEXTS.rowsMirrored, both: TEXTS.mirroredBothWays } as const;

const ROTATED = { half: TEXTS.halfTurns, quarter: TEXTS.quarterTurns } as const;

/** `half-drop`, or `drop of 1/3` where the fraction is another; `square, columns mirrored`. */
export function stepText({ mirrored, rotated, ...rest }: Step): string {
  const symmetry = mirrored ? MIRRORED[mirrored] : rotated && ROTATED[rotated];
  return symmetry ? `${plainText(rest)}, ${symmetry}` : plainText(rest);
}

function plainText({ kind, drop, honeycomb }: Step): string {
  if (honeycomb) return 'honeycomb';
  if (kind === 'square' || (drop.p === 1 && drop.q === 2)) return NAMES[kind];
  return TEXTS.ofPQ(kind, drop.p, drop.q);
}

/** `240 × 320 mm half-drop`. */
export function repeatText({ width, height, step }: Repeat, unit: LengthUnit): string {
  return `${formatLength(width, unit).replace(` ${unit}`, '')} × ${formatLength(height, unit)} ${stepText(step)}`;
}
