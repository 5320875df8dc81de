import type { Design } from '../../core/document/index.ts';
import { canPaintSeparately } from '../../core/paint/index.ts';
import { stackAround } from './stackAround.ts';

/** The placements that move, and the design as it was when they were taken up. */
export interface Held {
  readonly ids: readonly string[];
  readonly design: Design | undefined;
}

export const NOTHING_HELD: Held = { ids: [], design: undefined };

/** These placements, to be drawn live over all else; nothing where that would look otherwise than the cloth does. */
export function heldOf(design: Design, ids: readonly string[]): Held {
  const around = stackAround(design.placements, ids);
  return around && canPaintSeparately(design, around) ? { ids, design } : NOTHING_HELD;
}
