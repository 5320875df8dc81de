import type { Point } from '../geometry/index.ts';
import { HEXAGON } from './hexagon.ts';
import type { Repeat } from './repeat.ts';
import { step } from './step.ts';

/** The repeat as a honeycomb: a half-drop, or a brick where it is one, as high, or as wide, as it was. */
export function honeycombOf(repeat: Repeat): Repeat {
  const kind = repeat.step.kind === 'brick' ? 'brick' : 'half-drop';
  const size = kind === 'brick' ? { height: repeat.width * HEXAGON } : { width: repeat.height * HEXAGON };
  return { ...repeat, ...size, step: { ...step(kind, 1, 2), honeycomb: true } };
}

/**
 * The corners of the hexagon around the middle of the cell at the origin, clockwise: of all points, those that lie
 * nearer to that middle than to any of its instances. In the repeat's unit.
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
