import type { Hex } from '../colour/index.ts';
import type { Point } from '../geometry/index.ts';
import type { LinearPaint, PathNode } from '../motif/index.ts';
import type { VineCurve } from './vineCurve.ts';
import { vineOutline } from './vineOutline.ts';

/** Pieces of one period, each with a gradient along its chord. */
const PIECES = 48;

/** One period of a vine in pieces whose gradients go on from each other: from one ink to another halfway, and back. */
export function fadingVine(curve: VineCurve, ink: Hex, fadesTo: Hex, opacity: number): PathNode[] {
  const stops = [
    { offset: 0, ink, opacity },
    { offset: 0.5, ink: fadesTo, opacity },
    { offset: 1, ink, opacity },
  ];
  return Array.from({ length: PIECES }, (_, n): PathNode => {
    const [from, to] = [n, n + 1].map((piece) => curve.parameterAt((piece / PIECES) * curve.length)) as [
      number,
      number,
    ];
    const end = n + 1 === PIECES ? curve.span : to;
    return {
      kind: 'path',
      path: vineOutline(curve, from, end),
      rule: 'nonzero',
      strokeFirst: false,
      fill: { ...paintThrough(curve.place(from).at, curve.place(end).at, n / PIECES, 1 / PIECES), stops },
    };
  });
}

/** A gradient along a line that is at an offset at one place, and so much farther at another. */
function paintThrough(at: Point, next: Point, offset: number, share: number): Omit<LinearPaint, 'stops'> {
  const whole = { x: (next.x - at.x) / share, y: (next.y - at.y) / share };
  const from = { x: at.x - whole.x * offset, y: at.y - whole.y * offset };
  return {
    kind: 'linear',
    from: [from.x, from.y],
    to: [from.x + whole.x, from.y + whole.y],
    matrix: [1, 0, 0, 1, 0, 0],
  };
}
