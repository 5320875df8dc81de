import { closely, decodePoints, outlinesOf } from '../draw/index.ts';
import type { Point } from '../geometry/index.ts';
import type { PathNode } from '../motif/index.ts';
import type { Stroke } from '../recipe/index.ts';
import { fitLoop } from '../shapes/index.ts';

/** How far an outline is fitted to what the brush leaves, mm; measured everywhere, it stays within five times that. */
const OUTLINE_OFF = 0.01;

/** How far apart points of an outline lie at the most before it is fitted, mm: at a corner a curve to one that is farther away would bulge. */
const CLOSE = 0.3;

/** A stroke, and what it encloses below it. */
export function strokeNodes(stroke: Stroke): PathNode[] {
  const { ink, opacity, fill, deed } = stroke;
  const nodeOf = (loops: readonly (readonly Point[])[], colour: Stroke['ink']): PathNode[] => {
    const path = loops.map(outlinePath).join(' ').trim();
    const rule = deed === 'area' ? 'evenodd' : 'nonzero';
    return path ? [{ kind: 'path', path, rule, strokeFirst: false, fill: { kind: 'ink', ink: colour, opacity } }] : [];
  };
  return [
    ...(fill && deed === 'line' ? nodeOf([decodePoints(stroke.points)], fill) : []),
    ...nodeOf(outlinesOf(stroke), ink),
  ];
}

/** A closed line as a path of curves. */
export const outlinePath = (loop: readonly Point[]): string => fitLoop(closely(loop, CLOSE), OUTLINE_OFF);
