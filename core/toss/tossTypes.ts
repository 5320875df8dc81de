import type { Placement } from '../document/index.ts';
import type { CircleCover } from './circleCover.ts';

/** Where a motif was tossed; it has no id yet. */
export type TossedMotif = Pick<Placement, 'motif' | 'x' | 'y' | 'rotation' | 'scale' | 'flipped'>;

/** A motif as it can be tossed. */
export interface Tossable {
  readonly rounds: CircleCover;
  /** The ink that most of it is printed in; those of one ink are spread. */
  readonly ink: string;
}
