import { closely, linePaint, linesOf, outlinesOf, strokePaint } from '../draw/index.ts';
import type { Point } from '../geometry/index.ts';
import type { Paint, PathNode } from '../motif/index.ts';
import type { Stroke } from '../recipe/index.ts';
import { fitLoop } from '../shapes/index.ts';

/** How far an outline is fitted to what the brush leaves, mm; measured everywhere, it stays within five times that. */
const OUTLINE_OFF = 0.01;

/** How far apart points of an outline lie at the most before it is fitted, mm: at a corner a curve to one that is farther away would bulge. */
const CLOSE = 0.3;

/** A stroke, and what it encloses below it. */
export function strokeNodes(stroke: Stroke): PathNode[] {
  const { fill, deed } = stroke;
  if (deed === 'path') return [pathNode(stroke)];
  const rule = deed === 'area' ? 'evenodd' : 'nonzero';
  return [
    ...(fill && deed === 'line' ? filledLoops(linesOf(stroke), strokePaint(stroke, fill), rule) : []),
    ...filledLoops(outlinesOf(stroke), linePaint(stroke), rule),
  ];
}

/** A path with its line, so that its points are those that were set by hand. */
function pathNode(stroke: Stroke): PathNode {
  const { points, fill, width } = stroke;
  return {
    kind: 'path',
    path: points,
    rule: 'nonzero',
    strokeFirst: false,
    ...(fill && { fill: strokePaint(stroke, fill) }),
    stroke: {
      paint: linePaint(stroke),
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
  return [...area, ...filledLoops(outlinesOf(stroke), linePaint(stroke), 'nonzero')];
}

function filledLoops(loops: readonly (readonly Point[])[], fill: Paint, rule: PathNode['rule']): PathNode[] {
  const path = loops.map(outlinePath).join(' ').trim();
  return path ? [{ kind: 'path', path, rule, strokeFirst: false, fill }] : [];
}

/** A closed line as a path of curves. */
export const outlinePath = (loop: readonly Point[]): string => fitLoop(closely(loop, CLOSE), OUTLINE_OFF);
