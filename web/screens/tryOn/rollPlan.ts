import type { Repeat } from '../../../core/lattice/index.ts';
import {
  FIRST_WALL,
  planRolls,
  type RollPlan,
  type RollPrint,
  rollPrint,
  type TryOn,
  type Wall,
} from '../../../core/tryon/index.ts';

/** How the wall of a try-on is papered, or why it cannot be. */
export interface Papered {
  readonly wall: Wall;
  /** How the pattern lies on the rolls; undefined where it never repeats up them, or is not known yet. */
  readonly print: RollPrint | undefined;
  readonly plan: RollPlan | undefined;
  readonly problem: string | undefined;
}

/** Plans the rolls of a try-on's wall for its pattern, at the size that is printed. */
export function papered({ wall = FIRST_WALL, scale, rotation }: TryOn, repeat: Repeat | undefined): Papered {
  if (!repeat) return { wall, print: undefined, plan: undefined, problem: undefined };
  const print = rollPrint(repeat, scale, rotation);
  // What never repeats up the roll cannot be matched.
  const papering = print ? { ...wall, repeat: print.up } : { ...wall, match: 'free' as const, repeat: wall.rollLength };
  try {
    return { wall, print, plan: planRolls(papering), problem: undefined };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { wall, print, plan: undefined, problem: error.message };
  }
}
