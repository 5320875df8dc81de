import { greatestCommonDivisor } from './fraction.ts';
import type { Repeat } from './repeat.ts';
import { plainRepeat } from './symmetryOps.ts';
import { STEP_KINDS } from './steps/index.ts';

/** Waves over the plane: whole numbers of them over the width and the height of the lattice's upright domain. */
export interface Waves {
  readonly across: number;
  readonly down: number;
}

/**
 * The waves nearest to those wished for that close on the repeat's lattice, in the same direction.
 *
 * Their phase at (x, y) is across·x/width + down·y/height, and closes where it grows by a whole number along both basis
 * vectors: that is a vector of the dual lattice. A drop of p/q lets only some multiples of a direction through.
 *
 * @param wished waves over the width and the height of one cell, whole, not both 0
 * @returns waves over the domain, which holds all that a mirrored or rotated step shows of a cell; and the smallest number of
 *   waves in that direction, of which every number that closes is a multiple; and how many cells the domain is wide and high
 * @throws RangeError where both are 0
 */
export function closingWaves(
  repeat: Repeat,
  wished: Waves,
): { readonly waves: Waves; readonly least: Waves; readonly cells: Waves } {
  const domain = plainRepeat(repeat);
  const cells = {
    across: Math.round(domain.width / repeat.width),
    down: Math.round(domain.height / repeat.height),
  };
  const across = wished.across * cells.across;
  const down = wished.down * cells.down;
  const count = greatestCommonDivisor(Math.abs(across), Math.abs(down));
  if (count === 0) throw new RangeError('waves need a direction');
  const [u, v] = [across / count, down / count];
  const { p, q } = domain.step.drop;
  const stepped = STEP_KINDS[domain.step.kind].stacked === 'columns' ? v : u;
  // The drop adds stepped·p/q to the phase.
  const least = q / greatestCommonDivisor(q, Math.abs(stepped * p) % q);
  const closing = Math.max(1, Math.round(count / least)) * least;
  return { waves: scaled(u, v, closing), least: scaled(u, v, least), cells };
}

const scaled = (u: number, v: number, by: number): Waves => ({ across: u * by || 0, down: v * by || 0 });
