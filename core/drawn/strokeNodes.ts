import { closely, linesOf, outlinesOf } from '../draw/index.ts';
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
  if (deed === 'path') return [pathNode(stroke)];
  const nodeOf = (loops: readonly (readonly Point[])[], colour: Stroke['ink']): PathNode[] => {
    const path = loops.map(outlinePath).join(' ').trim();
    const rule = deed === 'area' ? 'evenodd' : 'nonzero';
    return path ? [{ kind: 'path', path, rule, strokeFirst: false, fill: { kind: 'ink', ink: colour, opacity } }] : [];
  };
  return [...(fill && deed === 'line' ? nodeOf(linesOf(stroke), fill) : []), ...nodeOf(outlinesOf(stroke), ink)];
}

/** A path with its line, so that its points are those that were set by hand. */
function pathNode({ points, ink, opacity, fill, width }: Stroke): PathNode {
  return {
    kind: 'path',
    path: points,
    rule: 'nonzero',
    strokeFirst: false,
    ...(fill && { fill: { kind: 'ink', ink: fill, opacity } }),
    stroke: {
      paint: { kind: 'ink', ink, opacity },
      width,
      cap: 'round',
      join: 'round',
      miterLimit: 4,
      dash: [],
      dashOffset: 0,
    },
  };
}

/** What a stroke covers as shapes alone, to be cut. */
export function coveredNodes(stroke: Stroke): PathNode[] {
  if (stroke.deed !== 'path') return strokeNodes(stroke);
  const area = stroke.fill ? [{ ...pathNode(stroke), stroke: undefined }] : [];
  const path = outlinesOf(stroke).map(outlinePath).join(' ').trim();
  const { ink, opacity } = stroke;
  return [
    ...area,
    ...(path
      ? [{ kind: 'path', path, rule: 'nonzero', strokeFirst: false, fill: { kind: 'ink', ink, opacity } } as const]
      : []),
  ];
}

/** A closed line as a path of curves. */
export const outlinePath = (loop: readonly Point[]): string => fitLoop(closely(loop, CLOSE), OUTLINE_OFF);
