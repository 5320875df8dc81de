import type { Repeat } from '../../../core/lattice/index.ts';
import { FIRST_WALL, planRolls, type RollPlan, type TryOn, type Wall } from '../../../core/tryon/index.ts';

/** How the wall of a try-on is papered, or why it cannot be. */
export interface Papered {
  readonly wall: Wall;
  readonly plan: RollPlan | undefined;
  readonly problem: string | undefined;
}

/** Plans the rolls of a try-on's wall for its pattern, at the size that is printed. */
export function papered({ wall = FIRST_WALL, scale }: TryOn, repeat: Repeat | undefined): Papered {
  if (!repeat) return { wall, plan: undefined, problem: undefined };
  try {
    return { wall, plan: planRolls({ ...wall, repeat: repeat.height * scale }), problem: undefined };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { wall, plan: undefined, problem: error.message };
  }
}
