import type { Point } from '../geometry/point.ts';
import type { Repeat } from './repeat.ts';
import { step } from './step.ts';

/** How much narrower than its height (or, a brick, lower than its width) the cell is whose lattice is that of regular hexagons. */
export const HEXAGON = Math.sqrt(3) / 2;
/** Cells are off by less than this share where a size was typed or rounded. */
const TOLERANCE = 1e-6;

/** Whether the cell has the proportions of a hexagon: width to height of a half-drop, height to width of a brick. */
export function isHexagonal({ width, height, step: { kind } }: Pick<Repeat, 'width' | 'height' | 'step'>): boolean {
  const wanted = kind === 'brick' ? width * HEXAGON - height : height * HEXAGON - width;
  return kind !== 'square' && Math.abs(wanted) <= TOLERANCE * Math.max(width, height);
}

/** The repeat as a honeycomb: a half-drop, or a brick where it is one, as high, or as wide, as it was. */
export function honeycombOf(repeat: Repeat): Repeat {
  const kind = repeat.step.kind === 'brick' ? 'brick' : 'half-drop';
  const size = kind === 'brick' ? { height: repeat.width * HEXAGON } : { width: repeat.height * HEXAGON };
  return { ...repeat, ...size, step: { ...step(kind, 1, 2), honeycomb: true } };
}

/**
 * The corners of the hexagon around the middle of the cell at the origin, clockwise: of all points, those that lie
 * nearer to that middle than to any of its echoes. In the repeat's unit.
 */
export function hexagonOf({ width, height, step: { kind } }: Repeat): Point[] {
  const [x, y] = [width / 2, height / 2];
  // The lattice's points lie as far apart as the cell's longer side, which is twice the distance to a side of the hexagon.
  const far = (kind === 'brick' ? width : height) / Math.sqrt(3);
  const start = kind === 'brick' ? 30 : 0;
  return Array.from({ length: 6 }, (_, n) => {
    const angle = ((start + 60 * n) * Math.PI) / 180;
    return { x: x + far * Math.cos(angle), y: y + far * Math.sin(angle) };
  });
}
