import type { Box, Point } from '../../../core/geometry/index.ts';
import type { CleanSteps, Cutting } from '../../../core/recipe/index.ts';

/** What the pointer does on the sheet. */
export type HandTool = 'none' | 'level' | 'crop' | 'paper' | 'join' | 'part' | 'leave-out';

export const NO_CUT: Cutting = { gap: 4, joins: [], splits: [], without: [] };

/** The angle by which a line is to be turned to lie level or upright, whichever is nearer, degrees clockwise. */
export function levelling([a, b]: readonly [Point, Point]): number {
  const angle = (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
  return -(angle - Math.round(angle / 90) * 90) + 0;
}

/** The box between two corners, however they were drawn. */
export function boxBetween([a, b]: readonly [Point, Point]): Box {
  return { left: Math.min(a.x, b.x), top: Math.min(a.y, b.y), right: Math.max(a.x, b.x), bottom: Math.max(a.y, b.y) };
}

/** The cutting with a drawing left out, or taken in again. */
export function toggledLeftOut(
  cut: Cutting,
  at: Point,
  isLeftOut: boolean,
  inSameDrawing: (point: Point) => boolean,
): Cutting {
  return { ...cut, without: isLeftOut ? cut.without.filter((point) => !inSameDrawing(point)) : [...cut.without, at] };
}

/** The steps with the sheet straightened, by as little as a hand can mean. */
export function straightenedBy(steps: CleanSteps, degrees: number): CleanSteps {
  return { ...steps, straighten: Math.min(45, Math.max(-45, Math.round((steps.straighten + degrees) * 100) / 100)) };
}
